import type { JudgedRow, Oddity } from '../../log/definitions';
import type { Fit } from './Fit';
import { practiceAt, type StepPlace } from './observations';
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
  /** The key by which each step was met first; steps by what copies of them name; and each place that a step is painted in. */
  stepNames: readonly string[];
  origins: ReadonlyMap<string, number>;
  places: ReadonlyMap<string, StepPlace>;
  /** Of each step, over all its places: how practised it is today, and its models whose minutes count. */
  practised: Float64Array;
  /** How many places each step is painted in; the key by which each unit was met first. */
  stepCopies: Int32Array;
  unitNames: readonly string[];
  /** The unit of each step, and the logarithm of the surface that it covers on a model. */
  unitOf: Int32Array;
  logAreas: Float64Array;
  counted: Float64Array;
  modelsOfTechnique: ReadonlyMap<string, number>;
  /** Stretches whose minutes count. */
  stretches: { all: number; withLeaders: number; ofSteps: Int32Array; ofTechniques: ReadonlyMap<string, number> };
}

export function fittedOf({ equations, spreads, log }: Fit, now: Date): Fitted {
  const { observations, steps, stepIndex, stepNames, origins, places, unitIndex, modelsOfTechnique, stretchesOfTechnique } = log;
  return {
    spreads,
    solved: equations.solved(),
    stepIndex,
    stepNames,
    origins,
    places,
    unitIndex,
    stepCopies: placesOf(places, steps.length),
    unitNames: namesOf(unitIndex),
    unitOf: Int32Array.from(steps, ({ unit }) => unit),
    logAreas: Float64Array.from(steps, ({ logArea }) => logArea),
    practised: Float64Array.from(steps, (step) => practiceAt(step, now.getTime())),
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

function placesOf(places: ReadonlyMap<string, StepPlace>, steps: number): Int32Array {
  const counts = new Int32Array(steps);
  for (const { step } of places.values()) counts[step]!++;
  return counts;
}

/** The first key of each number. */
function namesOf(index: ReadonlyMap<string, number>): string[] {
  const names: string[] = [];
  for (const [key, number] of index) names[number] ??= key;
  return names;
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
