import { doneModels } from '../../core/bench/foldMarks';
import { effortOf, passesOf, type Pass } from '../../core/scheme/passes';
import { factorOf, modelFactors } from '../../core/scheme/whoTakes';
import { drawFactors } from '../../core/time/forecast';
import { inSlices } from '../inSlices';
import type { Workshop } from '../workshop/loadWorkshop';
import { stepKindOf } from '../workshop/roster';

/** Draws of the joint posterior: the safe figure of a total is then good to about two per cent. */
export const DRAWS = 400;
const DRAW_SEED = 20;
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
  const open = workshop.units.flatMap((unit) => {
    const factors = modelFactors(unit.scheme, workshop.house);
    return passesOf(unit, unit.standard, workshop.house).flatMap((pass) => {
      const models = weightLeft(workshop, pass, factors);
      return models > 0 ? [{ key: pass.key, item: { kind: stepKindOf(unit, pass), models } }] : [];
    });
  });
  const draws = await inSlices(
    workshop.model.simulate(
      open.map(({ item }) => [item]),
      DRAWS,
      DRAW_SEED,
    ),
  );
  return new Map(open.map(({ key }, index) => [key, draws[index]!]));
}

function weightLeft({ marks }: Workshop, pass: Pass, factors: ReturnType<typeof modelFactors>): number {
  const done = doneModels(marks.marks, pass.key);
  return effortOf(pass) * pass.models.reduce((sum, model) => (done.has(model) ? sum : sum + factorOf(factors, model)), 0);
}

/** The same as factors on what each pass takes in the middle draw. */
export const passFactors = (draws: ReadonlyMap<string, Float64Array>): Map<string, Float64Array> =>
  new Map([...draws].map(([key, minutes]) => [key, drawFactors(minutes)]));
