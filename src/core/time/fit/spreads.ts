/**
 * How much the effects in the log differ from one another, all as standard deviations of log minutes except where it is said
 * otherwise. They are learned from the log, each starting from a prior value that counts as so many effects seen.
 */
export interface Spreads {
  technique: number;
  size: number;
  unit: number;
  step: number;
  /** Between a step and its copy in a like order. */
  copy: number;
  /** Share of the practice of a like order that is still in the hand when it is begun again; no spread, learned like one. */
  kept: number;
  /** Of the learning slopes of techniques and of single steps. */
  techniqueSlope: number;
  stepSlope: number;
  /** Of the pace, for a month. */
  drift: number;
  /** Of a stretch as a whole, and of each model in it. */
  stretch: number;
  model: number;
  /** Share of sound stretches that vary twice as much. */
  loose: number;
  /** Share of stretches that are no ordinary work: interrupted, or wrongly tapped. */
  odd: number;
}

/** A prior for a spread: its value, and how many effects it counts as. */
interface Prior {
  value: number;
  counts: number;
}

/**
 * Ours, wide enough that an unlogged step spans about a factor of three. Set so that prices which should hold in 80 of 100 do so over the
 * made-up painters of the benchmark together: with wider ones, or ones that count for more, 85 hold, and the client pays for it.
 */
export const SPREAD_PRIORS = {
  technique: { value: 0.2, counts: 4 },
  size: { value: 0.12, counts: 4 },
  unit: { value: 0.12, counts: 3 },
  step: { value: 0.16, counts: 6 },
  copy: { value: 0.08, counts: 8 },
  techniqueSlope: { value: 0.04, counts: 8 },
  stepSlope: { value: 0.04, counts: 16 },
  drift: { value: 0.04, counts: 4 },
  stretch: { value: 0.15, counts: 15 },
  model: { value: 0.3, counts: 10 },
  loose: { value: 0.06, counts: 30 },
  odd: { value: 0.04, counts: 40 },
} as const satisfies Record<Exclude<keyof Spreads, 'kept'>, Prior>;

/** The prior of `kept`: normal, within its bounds. */
export const KEPT = { mean: 0.5, spread: 0.2, least: 0.02, most: 1 } as const;

export const PRIOR_SPREADS: Spreads = {
  ...(Object.fromEntries(Object.entries(SPREAD_PRIORS).map(([key, { value }]) => [key, value])) as Record<
    keyof typeof SPREAD_PRIORS,
    number
  >),
  kept: KEPT.mean,
};

/** A unit that was copied differs from the first as a whole by so much of what its steps do one by one. */
export const UNIT_COPY_SHARE = 0.75;

/** How far each copy of a step with several stands from what they share: two of them differ by the spread of copies. */
export const copyVariance = ({ copy }: Pick<Spreads, 'copy'>): number => copy ** 2 / 2;

/** What no log can teach, as there is one of each: the painter's pace, how fast it is learned on the whole, and leaders. */
export const PACE_SPREAD = 0.35;
export const SLOPE = { mean: 0.15, spread: 0.07 } as const;
export const LEADER_SPREAD = 0.5;

/** Variance of the log minutes of a stretch on so many models. */
export const noiseVariance = ({ stretch, model }: Pick<Spreads, 'stretch' | 'model'>, models: number): number =>
  stretch ** 2 + model ** 2 / Math.max(models, 0.25);
