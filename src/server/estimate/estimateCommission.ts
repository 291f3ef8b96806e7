import { doneModels } from '../../core/bench/mergeMarks';
import { buildLine } from '../../core/scheme/buildLine';
import { approved, type Unit } from '../../core/scheme/definitions';
import { passesOf, type Pass } from '../../core/scheme/passes';
import type { LineTotals } from '../../core/line/definitions';
import { minutesLeft, type MinutesLeft } from '../../core/time/forecast';
import type { CommissionEstimate, PassEstimate } from '../../core/views/estimate';
import { quickPlan } from '../line/quickPlan';
import { rosterOf, stepKindOf, type Picture } from '../commissions/loadPicture';

/** Draws of the joint posterior: P80 of a total is then good to about two per cent. */
const DRAWS = 400;
const SEED = 20;

/**
 * Bench minutes that commissions still need, in their order. Hands-on minutes are simulated from the time model, all
 * passes of all commissions together; changeovers, waits and touch-up come from a quick plan of what is left, test
 * models taken as approved. All pictures must share one time model.
 */
export async function estimateCommissions(pictures: readonly Picture[]): Promise<{ estimate: CommissionEstimate; left: MinutesLeft }[]> {
  const open = await Promise.all(pictures.map(openWork));
  const handsOn =
    pictures[0]?.model.simulate(
      open.map(({ work }) => work),
      DRAWS,
      SEED,
    ) ?? [];
  return open.map(({ totals, passes }, index) => {
    const left = minutesLeft(handsOn[index]!, totals.bench - totals.handsOn);
    return { estimate: summarise(left, totals, passes), left };
  });
}

/** The estimate of one commission. */
export const estimateCommission = async (picture: Picture): Promise<CommissionEstimate> =>
  (await estimateCommissions([picture]))[0]!.estimate;

async function openWork(picture: Picture) {
  const units = picture.units.map(approved);
  const passes = units.flatMap((unit) => passesOf(unit, picture.commission.standard).map((pass) => passLeft(picture, unit, pass)));
  return {
    totals: await quickPlan(buildLine(rosterOf(picture, units)).problem),
    work: passes.filter((entry) => entry.weight > 0).map(({ kind, weight }) => ({ kind, models: weight })),
    passes: passes.map((entry) => entry.estimate),
  };
}

function summarise(left: MinutesLeft, totals: LineTotals, passes: PassEstimate[]): CommissionEstimate {
  return {
    likelyMinutes: left.likely,
    safeMinutes: left.safe,
    changeoverMinutes: totals.changeover,
    waitMinutes: totals.wait,
    touchUpMinutes: totals.touchUp,
    wholeMinutes: passes.reduce((sum, pass) => sum + pass.unitMinutes, 0),
    stepsDone: passes.reduce((sum, pass) => sum + pass.modelsTotal - pass.modelsLeft, 0),
    stepsTotal: passes.reduce((sum, pass) => sum + pass.modelsTotal, 0),
    passes,
  };
}

function passLeft(picture: Picture, unit: Unit, pass: Pass) {
  const kind = stepKindOf(picture.commission.name, unit, pass);
  const done = doneModels(picture.marks, pass.key);
  const open = pass.models.filter((model) => !done.has(model));
  const weightOf = (models: number[]) => models.reduce((sum, model) => sum + (model <= unit.leaders ? picture.house.leaderFactor : 1), 0);
  const { p50, p80, normMinutes, why } = picture.model.estimate(kind);
  const estimate: PassEstimate = {
    passKey: pass.key,
    unitId: unit.id,
    p50,
    p80,
    normMinutes,
    why,
    modelsLeft: open.length,
    modelsTotal: pass.models.length,
    unitMinutes: p50 * weightOf(pass.models),
  };
  return { kind, weight: weightOf(open), estimate };
}
