import { groupBy } from '../../core/kernel/groupBy';
import { doneModels } from '../../core/bench/replay/foldMarks';
import { approved } from '../../core/scheme/model/definitions';
import { drawFactors, safeRatio } from '../../core/plan/dates/forecast';
import { memoKey } from '../running/Memory';
import { inSlices, letOthersInWhenDue } from '../running/inSlices';
import type { Workshop } from './loadWorkshop';
import { workOf } from './roster';

/** Draws of the joint posterior: the safe figure of a total is then good to about two per cent. */
export const DRAWS = 400;
export const DRAW_SEED = 20;
/** An order is timed under the first so many of them, in every view. */
export const ORDER_DRAWS = 200;

/** What is left of all open units in every draw. */
export interface PassDraws {
  /** Hands-on minutes of each pass, by its key; passes that are done have none. */
  minutes: ReadonlyMap<string, Float64Array>;
  /** How many times the likely minutes of all of it together are safe. */
  safeRatio: number;
}

const DRAWN = memoKey<Promise<PassDraws>>('draws of every pass');

/** Worked out once for a workshop: every line is dated by it. */
export const passDraws = (workshop: Workshop): Promise<PassDraws> => workshop.memory.once(DRAWN, () => drawPasses(workshop));

async function drawPasses(workshop: Workshop): Promise<PassDraws> {
  const left = workshop.units.flatMap((unit) => workOf(approved(unit), workshop, (passKey) => doneModels(workshop.marks.marks, passKey)));
  const byPass = groupBy(left, ({ passKey }) => passKey);
  const draws = await inSlices(workshop.model.simulate([...byPass.values()], DRAWS, DRAW_SEED));
  return { minutes: new Map([...byPass.keys()].map((key, index) => [key, draws[index]!])), safeRatio: safeRatio(draws) };
}

/** The same as factors on what each pass takes in the middle draw. */
export async function passFactors({ minutes: draws }: PassDraws): Promise<Map<string, Float64Array>> {
  const factors = new Map<string, Float64Array>();
  for (const [key, minutes] of draws) {
    factors.set(key, drawFactors(minutes));
    await letOthersInWhenDue();
  }
  return factors;
}
