import { benchLineInSteps, type BenchLine } from '../../core/bench/guide/benchLine';
import { carryOver, type OwnLine } from '../../core/line/hand/carryOver';
import type { Roster } from '../../core/plan/build/roster';
import { inSlices, letOthersIn } from '../running/inSlices';
import { lineLeft } from '../workshop/builtLine';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';

/**
 * An order over these units as it is painted today. What is left stands as in every other view, which carry it over to the same
 * problem; what is painted stands in front.
 */
export async function lineOnBench(workshop: Workshop, units: WorkUnit[], roster: Roster, own: OwnLine): Promise<BenchLine> {
  const left = await lineLeft(workshop, units);
  await letOthersIn();
  const order = left.jobs.length === 0 ? [] : carryOver(left.problem, own).order;
  await letOthersIn();
  const line = await inSlices(benchLineInSteps(roster, order));
  await letOthersIn();
  return line;
}
