import type { TestModelState } from '../core/scheme/model/definitions';
import type { TestRound } from '../core/commission/testModel';

/** The test model of a unit as Intake shows it. */
export interface TestModelPicture {
  unitId: string;
  state: TestModelState;
  /** Steps of the model that are painted, and all of them. */
  stepsDone: number;
  stepsTotal: number;
  /** Hands-on minutes logged on it; null before the first. */
  minutesLogged: number | null;
  /** What the model was expected to take in all. */
  minutesExpected: number;
  rounds: TestRound[];
  /** Address that was written to last. */
  lastTo: string;
}
