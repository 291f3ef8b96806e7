import { doneModels } from '../../core/bench/foldMarks';
import { approved } from '../../core/scheme/definitions';
import type { WorkItem } from '../../core/time/definitions';
import { drawFactors } from '../../core/time/forecast';
import { inSlices } from '../inSlices';
import type { Workshop } from '../workshop/loadWorkshop';
import { workOf } from '../workshop/roster';

/** Draws of the joint posterior: the safe figure of a total is then good to about two per cent. */
export const DRAWS = 400;
export const DRAW_SEED = 20;
/** An order is timed under the first so many of them, in every view. */
export const ORDER_DRAWS = 200;

const kept = new WeakMap<Workshop, Promise<ReadonlyMap<string, Float64Array>>>();

/** Hands-on minutes of what is left of each pass of all open units in every draw, by pass key; passes that are done have none. */
export function passDraws(workshop: Workshop): Promise<ReadonlyMap<string, Float64Array>> {
  const known = kept.get(workshop);
  if (known) return known;
  const draws = drawPasses(workshop);
  kept.set(workshop, draws);
  draws.catch(() => kept.delete(workshop));
  return draws;
}

async function drawPasses(workshop: Workshop): Promise<ReadonlyMap<string, Float64Array>> {
  const byPass = new Map<string, WorkItem[]>();
  for (const unit of workshop.units)
    for (const item of workOf(approved(unit), workshop, (passKey) => doneModels(workshop.marks.marks, passKey)))
      byPass.set(item.passKey, [...(byPass.get(item.passKey) ?? []), item]);
  const draws = await inSlices(workshop.model.simulate([...byPass.values()], DRAWS, DRAW_SEED));
  return new Map([...byPass.keys()].map((key, index) => [key, draws[index]!]));
}

/** The same as factors on what each pass takes in the middle draw. */
export const passFactors = (draws: ReadonlyMap<string, Float64Array>): Map<string, Float64Array> =>
  new Map([...draws].map(([key, minutes]) => [key, drawFactors(minutes)]));
