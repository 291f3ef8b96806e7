import type { JudgedRow, Oddity } from './definitions';
import type { Fit } from './Fit';
import type { Solved } from './solved';
import type { Spreads } from './spreads';

/** An odd row is called interrupted when it took at least this many times what was expected, too short below the other. */
const INTERRUPTED_RATIO = 1.6;
const TOO_SHORT_RATIO = 0.5;
const ODD_CHANCE = 0.5;
/** Weights are rounded: so little more than one a model is no leader. */
const LEAST_LEADERS = 1e-3;

/** All that a fit has come to, as plain data that another thread can take: steps and units by their places, found by their keys. */
export interface Fitted {
  spreads: Spreads;
  solved: Solved;
  stepIndex: ReadonlyMap<string, number>;
  unitIndex: ReadonlyMap<string, number>;
  /** Models of each step in the log, and those of them whose minutes count. */
  models: Float64Array;
  counted: Float64Array;
  modelsOfTechnique: ReadonlyMap<string, number>;
  /** Stretches whose minutes count. */
  stretches: { all: number; withLeaders: number; ofSteps: Int32Array; ofTechniques: ReadonlyMap<string, number> };
}

export function fittedOf({ equations, spreads, log }: Fit): Fitted {
  const { observations, steps, stepIndex, unitIndex, modelsOfTechnique, stretchesOfTechnique } = log;
  return {
    spreads,
    solved: equations.solved(),
    stepIndex,
    unitIndex,
    models: Float64Array.from(steps, ({ models }) => models),
    counted: Float64Array.from(steps, ({ counted }) => counted),
    modelsOfTechnique,
    stretches: {
      all: observations.length,
      withLeaders: observations.filter(({ leaders }) => Math.abs(leaders) > LEAST_LEADERS).length,
      ofSteps: Int32Array.from(steps, ({ stretches }) => stretches),
      ofTechniques: stretchesOfTechnique,
    },
  };
}

/** The rows that do not look like ordinary work, and what they look like; those that the painter vouches for are none. */
export function oddRows<R extends JudgedRow>(fit: Fit, rows: readonly R[]): Map<R, Oddity> {
  const odd = new Map<R, Oddity>();
  for (const [at, { index, trusted }] of fit.log.observations.entries()) {
    if (trusted || fit.ordinary[at]! + fit.loose[at]! > ODD_CHANCE) continue;
    const ratio = Math.exp(fit.residual(at));
    if (ratio >= INTERRUPTED_RATIO) odd.set(rows[index]!, 'interrupted');
    else if (ratio <= TOO_SHORT_RATIO) odd.set(rows[index]!, 'too short');
  }
  return odd;
}
