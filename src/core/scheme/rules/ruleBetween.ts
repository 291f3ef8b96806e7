import type { OwnRule } from '../model/definitions';
import type { Pass } from '../passes/passes';

export const OWN_RULE = 'own';

/** What every rule between two passes says of itself. */
interface RuleBetween {
  /** Id in the catalogue; `own` for the painter's own. */
  rule: string;
  reason: string;
}

/** A pass that must stand before another, and why. */
export interface HardRule extends RuleBetween {
  before: string;
  after: string;
  scope: 'model' | 'tray';
  /** Replaces the drying time of the earlier pass; null keeps it. */
  lagMinutes: number | null;
}

/** A pass that had better stand before another: breaking it costs minutes on every model that both take. */
export interface SoftRule extends RuleBetween {
  first: string;
  then: string;
  minutesPerModel: number;
  /** `touch-up` is work, painting again what was marred; a `wish` is a habit, and no work. */
  kind: 'touch-up' | 'wish';
}

/** Hands-on minutes of a pass on one ordinary model. */
export type PassMinutes = (pass: Pass) => number;

/** Own rules between the last coat of the one step and the first of the other, with every half of theirs. */
export function ownPairs(rules: readonly OwnRule[], passes: readonly Pass[]): { own: OwnRule; a: Pass; b: Pass }[] {
  return rules.flatMap((own) => {
    const firsts = passes.filter(({ step, coat }) => step.id === own.first && coat === step.coats);
    const thens = passes.filter(({ step, coat }) => step.id === own.then && coat === 1);
    return firsts.flatMap((a) => thens.map((b) => ({ own, a, b })));
  });
}
