import { groupBy } from '../../kernel/groupBy';
import { allAtOnce, type Steps } from '../../kernel/steps';
import { cholesky, inverseOf, times } from '../../kernel/cholesky';
import type { HouseRules } from '../../scheme/model/houseRules';
import { NOTHING_IN_HAND, changeoverMinutes, setupOf, startMinutes } from '../../scheme/passes/setups';
import type { Pot } from '../../scheme/model/pots';

/** What a set-up costs, by what is changed: the fields of House rules that the log can show. */
export const SETUP_FIELDS = [
  'sitDownMinutes',
  'paintMinutes',
  'dropMinutes',
  'handMinutes',
  'waterMinutes',
  'sprayMinutes',
  'fetchMinutes',
] as const;
export type SetupField = (typeof SETUP_FIELDS)[number];
export type SetupMinutes = Record<SetupField, number>;

/** A change from one setup to another as the clock measured it; from `NOTHING_IN_HAND` at the beginning of a sitting. */
export interface MeasuredSetup {
  from: string;
  to: string;
  /** Another unit was taken up, and so another tray. */
  isFetched: boolean;
  minutes: number;
}

/** What the log says of one kind of change. */
export interface SetupEstimate {
  /** Likely minutes. */
  minutes: number;
  /** As House rules have it. */
  typed: number;
  /** Measured changes that it was a part of. */
  setups: number;
}

export type SetupEstimates = Record<SetupField, SetupEstimate>;

/** How far what is typed may be from the truth, and how much one change differs from another; in log minutes. */
const TYPED_SPREAD = 0.5;
const NOISE = 0.6;
const STUDENT_DEGREES = 4;
/** Whoever starts at once changes over on the first model: the clock has not seen it. */
const LEAST_MINUTES = 0.1;
const ROUNDS = 30;
const SETTLED = 1e-7;

/** Between so many changes others may be let in. */
const AT_ONCE = 2000;

/** Changes that are made up of the same kinds, and the logarithm of what each of them took. */
interface AlikeSetups {
  counts: number[];
  logMinutes: number[];
}

/** The changes that can teach something, those that are alike together. */
function alike(measured: readonly MeasuredSetup[], pots: ReadonlyMap<string, Pot>, house: HouseRules): AlikeSetups[] {
  const counted = groupBy(
    measured.filter(({ minutes }) => minutes >= LEAST_MINUTES),
    ({ from, to, isFetched }) => `${from} ${to} ${isFetched}`,
  );
  const together = groupBy(
    [...counted.values()].map((changes) => ({ counts: countsOf(changes[0]!, pots, house), changes })),
    ({ counts }) => counts.join(' '),
  );
  return [...together.values()]
    .map((each) => ({
      counts: each[0]!.counts,
      logMinutes: each.flatMap(({ changes }) => changes.map(({ minutes }) => Math.log(minutes))),
    }))
    .filter(({ counts }) => counts.some((count, field) => count > 0 && house[SETUP_FIELDS[field]!] > 0));
}

/** How often each kind of change is in one from a setup to another. */
function countsOf({ from, to, isFetched }: MeasuredSetup, pots: ReadonlyMap<string, Pot>, house: HouseRules): number[] {
  const nothing = Object.fromEntries(SETUP_FIELDS.map((field) => [field, 0])) as SetupMinutes;
  const after = setupOf(to, pots);
  return SETUP_FIELDS.map((field) => {
    if (field === 'fetchMinutes') return Number(isFetched);
    const only = { ...house, ...nothing, [field]: 1 };
    return from === NOTHING_IN_HAND ? startMinutes(after, only) : changeoverMinutes(setupOf(from, pots), after, only);
  });
}

/**
 * What changes of setup really take: the minutes of each kind, which together make up every measured change, with a lognormal prior
 * about what is typed and Student-t noise (Gauss-Newton on the logarithms; weights as in Gelman et al., Bayesian Data Analysis,
 * 3rd ed., section 17.2). What is typed as nothing stays nothing.
 */
export const learnSetups = (...of: Parameters<typeof learnSetupsInSteps>): SetupEstimates => allAtOnce(learnSetupsInSteps(...of));

/** The same, some thousand changes at a time. */
export function* learnSetupsInSteps(
  measured: readonly MeasuredSetup[],
  pots: ReadonlyMap<string, Pot>,
  house: HouseRules,
): Steps<SetupEstimates> {
  const known = alike(measured, pots, house);
  const typed = SETUP_FIELDS.map((field) => house[field]);
  const logs = typed.map((minutes) => Math.log(Math.max(minutes, 1e-12)));
  for (let round = 0; round < ROUNDS; round++) {
    const n = SETUP_FIELDS.length;
    const precision = Array.from({ length: n }, (_, i) => Array.from({ length: n }, (__, j) => (i === j ? 1 / TYPED_SPREAD ** 2 : 0)));
    const right = logs.map((log, field) => (typed[field]! > 0 ? (Math.log(typed[field]!) - log) / TYPED_SPREAD ** 2 : 0));
    let looked = 0;
    for (const { counts, logMinutes } of known) {
      const parts = counts.map((count, field) => (typed[field]! > 0 ? count * Math.exp(logs[field]!) : 0));
      const expected = parts.reduce((sum, part) => sum + part, 0);
      const logExpected = Math.log(expected);
      const slopes = parts.map((part) => part / expected);
      // Changes that are alike differ in how far they are off alone.
      let weights = 0;
      let pull = 0;
      for (const log of logMinutes) {
        if (++looked % AT_ONCE === 0) yield;
        const residual = log - logExpected;
        const weight = (STUDENT_DEGREES + 1) / (STUDENT_DEGREES + (residual / NOISE) ** 2) / NOISE ** 2;
        weights += weight;
        pull += weight * residual;
      }
      for (let i = 0; i < n; i++) {
        right[i]! += slopes[i]! * pull;
        for (let j = 0; j < n; j++) precision[i]![j]! += slopes[i]! * slopes[j]! * weights;
      }
    }
    const step = [...times(inverseOf(cholesky(Float64Array.from(precision.flat()), n), n), Float64Array.from(right))];
    step.forEach((change, field) => (logs[field]! += Math.max(-1, Math.min(1, change))));
    if (Math.max(...step.map(Math.abs)) < SETTLED) break;
  }
  return Object.fromEntries(
    SETUP_FIELDS.map((field, index) => [
      field,
      {
        minutes: typed[index]! > 0 ? Math.exp(logs[index]!) : 0,
        typed: typed[index]!,
        setups: known.reduce((sum, { counts, logMinutes }) => sum + (counts[index]! > 0 ? logMinutes.length : 0), 0),
      },
    ]),
  ) as SetupEstimates;
}

/** House rules with what the log says of changes of setup. */
export const withSetups = (house: HouseRules, setups: SetupEstimates): HouseRules => ({
  ...house,
  ...(Object.fromEntries(SETUP_FIELDS.map((field) => [field, setups[field].minutes])) as SetupMinutes),
});
