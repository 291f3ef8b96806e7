import { PairSums } from './pairSums';
import { ownPairs, OWN_RULE, type PassMinutes, type SoftRule } from './ruleBetween';
import { KEEP_CLEAR, STRAYS } from './ruleCatalogue';
import type { RulesWork } from './rulesWork';
import { FIND_AGAIN_MINUTES, keepClearReason, strayPairs, strayReason } from './strays';

/** What each pass mars of every other, in minutes to paint it again. */
export function touchUps(work: RulesWork, minutesOf: PassMinutes, isFree: (a: string, b: string) => boolean): SoftRule[] {
  const { unit, staged, isInForce } = work;
  const sums = new PairSums('touch-up', isFree);
  const strays = isInForce(STRAYS);
  const keepsClear = isInForce(KEEP_CLEAR);
  const minutes = new Map(staged.map((pass) => [pass, minutesOf(pass)]));
  for (const { by, marred, share } of strayPairs(work)) {
    if (strays) {
      const again = share * (minutes.get(marred)! + FIND_AGAIN_MINUTES);
      sums.add(by.key, marred.key, again, STRAYS.id, () => strayReason(by, marred, share, again));
    }
    // Bare ground is not repaired with the same pot.
    if (keepsClear && marred.part!.keepClear && marred.isFirstPaint) {
      const clean = share * (1 + minutes.get(marred)!);
      sums.add(marred.key, by.key, clean, KEEP_CLEAR.id, () => keepClearReason(by, marred, clean));
    }
  }
  for (const { own, a, b } of ownPairs(unit.scheme.rules, staged))
    if (own.minutesPerModel !== null && !own.wish) sums.add(a.key, b.key, own.minutesPerModel, OWN_RULE, () => own.reason);
  return sums.differences();
}
