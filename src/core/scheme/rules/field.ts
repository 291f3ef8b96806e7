import { isLaidOn, isNamedBy } from '../model/field';
import type { StagedPass } from './stagedPasses';

/** Where passes over several parts meet others. */

/** Is the part that `pass` is in laid on by `over`, a pass over several parts? */
export const inField = (over: StagedPass, pass: StagedPass): boolean =>
  over.part === null && pass.part !== null && isLaidOn(over.step, pass.part);

/** Have two steps over several parts a part in common? Those that name no parts meet whatever is not all left out. */
export function fieldsMeet(a: StagedPass, b: StagedPass): boolean {
  if (a.part !== null || b.part !== null) return false;
  const [first, second] = [a.step.over, b.step.over];
  if (first && 'only' in first) return first.only.some((part) => !second || isNamedBy(second, part));
  return second && 'only' in second ? fieldsMeet(b, a) : true;
}

/** In one part, or one of them laid over the part of the other, or over a part in common. */
export const meetOnTheModel = (a: StagedPass, b: StagedPass): boolean =>
  (a.part !== null && a.part === b.part) || inField(a, b) || inField(b, a) || fieldsMeet(a, b);
