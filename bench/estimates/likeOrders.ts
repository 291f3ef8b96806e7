import type { JudgedRow } from '../../src/core/log/definitions';
import type { StepKind } from '../../src/core/time/definitions';
import { normMinutes } from '../../src/core/time/fit/norms';
import { forecastWork } from '../../src/core/time/check/forecastWork';
import { allAtOnce } from '../../src/core/kernel/steps';
import { MadeUpHands, mixedRandom, rowOf, stepsOfUnit, stretchesOf, USED, type Painter, type Step } from './madeUpLogs';

const ROWS_BEFORE = 150;
const MONTH_MS = 30 * 86_400_000;
/** How an order painted again differs from the first in truth: step by step, and each unit as a whole; what is left of the practice. */
const STEP_DIFFERS = 0.08;
const UNIT_DIFFERS = 0.06;
const KEPT = 0.5;

export interface AgainForecast {
  p10: number;
  p50: number;
  p90: number;
  /** Hands-on minutes that the second order took. */
  took: number;
}

/**
 * A painter with a log paints an order, and one to eight weeks later the same again: what was foretold of the second from the log of
 * both, with the tie of its steps to the first and without. The floor is what somebody says who knows the painter's curve and has
 * the minutes of the first order: all that is left is how the second differs.
 */
export function orderAgain(painter: Painter, seed: number): Record<'tied' | 'untied' | 'floor', AgainForecast> {
  const random = mixedRandom(seed);
  const hands = new MadeUpHands(painter, random, USED);
  const rows: JudgedRow[] = [];
  const paint = (steps: readonly Step[], practised: number, ids: (step: Step) => Pick<StepKind, 'unitId' | 'stepId' | 'stepLike'>) => {
    let took = 0;
    for (const { step, done, models } of stretchesOf(steps)) {
      hands.rest();
      const { sound, minutes } = hands.paint(step, done + practised * step.models, models);
      rows.push({ ...rowOf(step, models, minutes, hands.at), ...ids(step) });
      hands.at += Math.ceil(minutes + 4) * 60_000;
      took += sound;
    }
    return took;
  };
  const unit = (commission: string, name: string): Step[] => stepsOfUnit(painter, random, hands, commission, name);
  for (let commission = 0; rows.length < ROWS_BEFORE; commission++)
    paint([...unit(`Earlier ${commission}`, 'One'), ...unit(`Earlier ${commission}`, 'Two')], 0, () => NO_IDS);
  const order = ['One', 'Two', 'Three'].map((name) => unit('Order', name));
  const idOf = ({ unit: name, part, technique }: Step) => `${name} ${part} ${technique}`;
  const first = paint(order.flat(), 0, (step) => ({ unitId: `first ${step.unit}`, stepId: idOf(step), stepLike: null }));
  const months = 0.25 + 1.75 * random.uniform();
  hands.at += months * MONTH_MS;
  const again = order.map((steps) => {
    const own = hands.differ(UNIT_DIFFERS);
    return steps.map((step) => ({ ...step, commission: 'Again', level: step.level + own + hands.differ(STEP_DIFFERS) }));
  });
  const before = [...rows];
  const now = new Date(hands.at);
  const practised = KEPT * 0.5 ** (months / 12);
  const took = paint(again.flat(), practised, () => NO_IDS);
  const p50 = (first * minutesByCurve(painter, order.flat(), practised)) / minutesByCurve(painter, order.flat(), 0);
  const forecast = (isTied: boolean): AgainForecast => {
    const work = again.flat().map((step) => ({
      kind: { ...rowOf(step, 1, 1, 0), unitId: `again ${step.unit}`, stepId: `again ${idOf(step)}`, stepLike: isTied ? idOf(step) : null },
      models: step.models,
    }));
    const { p10, p50, p90 } = allAtOnce(forecastWork(before, work, now, seed));
    return { p10, p50, p90, took };
  };
  return { tied: forecast(true), untied: forecast(false), floor: { p10: 0, p50, p90: Infinity, took } };
}

/** What the steps take by the painter's own curve alone, all else the same. */
const minutesByCurve = ({ curve }: Painter, steps: readonly Step[], practised: number): number =>
  steps.reduce((sum, { technique, size, coverage, level, models }) => {
    const repetitions = Array.from({ length: models }, (_, model) => curve(practised * models + model + 1));
    return sum + normMinutes(technique, size, coverage) * Math.exp(level) * repetitions.reduce((all, each) => all + each, 0);
  }, 0);

const NO_IDS = { unitId: null, stepId: null, stepLike: null };

/** Median absolute error, bias (mean of log took over foretold) and the share inside P10 to P90. */
export function errorsOf(forecasts: readonly AgainForecast[]): { error: number; bias: number; holds: number } {
  const errors = forecasts.map(({ p50, took }) => Math.abs(p50 / took - 1)).sort((a, b) => a - b);
  return {
    error: errors[Math.floor(errors.length / 2)]!,
    bias: forecasts.reduce((sum, { p50, took }) => sum + Math.log(took / p50), 0) / forecasts.length,
    holds: forecasts.filter(({ p10, p90, took }) => took >= p10 && took <= p90).length / forecasts.length,
  };
}
