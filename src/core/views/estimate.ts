import type { StepEstimate } from '../time/definitions';

/** What one pass still takes. */
export interface PassEstimate extends Pick<StepEstimate, 'p50' | 'p80' | 'normMinutes' | 'why'> {
  passKey: string;
  unitId: string;
  modelsLeft: number;
  modelsTotal: number;
  /** Likely minutes for all models of the pass, painted or not, leaders counted longer. */
  unitMinutes: number;
}

export interface CommissionEstimate {
  likelyMinutes: number;
  safeMinutes: number;
  /** Minutes of the planned order that are not hands-on. */
  changeoverMinutes: number;
  waitMinutes: number;
  touchUpMinutes: number;
  /** Likely minutes of the whole commission, painted passes included. */
  wholeMinutes: number;
  /** Model-steps painted and in all. */
  stepsDone: number;
  stepsTotal: number;
  passes: PassEstimate[];
}
