import { STANDARDS, type Standard } from '../scheme/model/definitions';

/** What work takes at one standard. */
export interface StandardTotals {
  standard: Standard;
  handsOn: number;
  /** Hands-on, set-up, waiting and touch-up. */
  likely: number;
  safe: number;
}

export interface BackPlanInput {
  /** Minutes of the sessions until the models have to be dry and cured. */
  sessionMinutes: number;
  /** Likely minutes of the work that the bench does before. */
  queuedMinutes: number;
  /** What is left of the work at each standard, lowest first. */
  left: readonly StandardTotals[];
  paidFor: Standard;
  units: readonly { unitId: string; name: string; models: number; handsOnLeft: number }[];
  /** An average session; 0 when there are none. */
  sessionLength: number;
}

export interface BackPlan {
  availableMinutes: number;
  /** `safe`: 80 of 100; `likely`: as good as not; `short`: not without giving something up. */
  standing: 'safe' | 'likely' | 'short';
  shortMinutes: number;
  /** Hands-on minutes that a model of each unit can have, the units keeping the share that their schemes give them. */
  perModel: { unitId: string; name: string; minutes: number; needed: number }[];
  fits: { standard: Standard; standing: 'safe' | 'likely' | 'short' }[];
  /** Ways to meet the date; nothing when it is met anyway. */
  gives: Give[];
}

export type Give =
  | { kind: 'sessions'; sessions: number }
  | { kind: 'standard'; standard: Standard; savedMinutes: number }
  | { kind: 'models'; share: number };

type Needs = Pick<StandardTotals, 'likely' | 'safe'>;
const standingOf = (needs: Needs, available: number): BackPlan['standing'] =>
  needs.safe <= available ? 'safe' : needs.likely <= available ? 'likely' : 'short';

/** Plans back from a date: the minutes that are left for it, what they are enough for, and what would have to give. */
export function backPlan({ sessionMinutes, queuedMinutes, left: leftAt, paidFor, units, sessionLength }: BackPlanInput): BackPlan {
  const availableMinutes = Math.max(0, sessionMinutes - queuedMinutes);
  const left = leftAt.find(({ standard }) => standard === paidFor)!;
  const standing = standingOf(left, availableMinutes);
  const shortMinutes = Math.max(0, left.safe - availableMinutes);
  // Set-up, waiting and touch-up are needed whatever a model gets.
  const forHands = Math.max(0, availableMinutes - (left.safe - left.handsOn));
  const share = left.handsOn > 0 ? forHands / left.handsOn : 0;
  const isLower = ({ standard }: StandardTotals) => STANDARDS.indexOf(standard) < STANDARDS.indexOf(paidFor);
  const gives: Give[] = [];
  if (standing === 'short') {
    if (sessionLength > 0) gives.push({ kind: 'sessions', sessions: Math.ceil(shortMinutes / sessionLength) });
    const lower = leftAt.filter((each) => isLower(each) && standingOf(each, availableMinutes) !== 'short').at(-1);
    if (lower) gives.push({ kind: 'standard', standard: lower.standard, savedMinutes: left.likely - lower.likely });
    if (share > 0 && share < 1) gives.push({ kind: 'models', share: 1 - share });
  }
  return {
    availableMinutes,
    standing,
    shortMinutes,
    perModel: units
      .filter(({ models, handsOnLeft }) => models > 0 && handsOnLeft > 0)
      .map(({ unitId, name, models, handsOnLeft }) => ({
        unitId,
        name,
        minutes: (handsOnLeft / models) * share,
        needed: handsOnLeft / models,
      })),
    fits: leftAt.map((each) => ({ standard: each.standard, standing: standingOf(each, availableMinutes) })),
    gives,
  };
}
