import { isOneOf } from '../../kernel/isOneOf';
import { factsOf } from '../model/techniques';
import type { Over, Step } from '../model/definitions';
import type { StagedPass } from './stagedPasses';

/** Which parts a step over several parts is laid on: its field. */

/** Sprayed or dusted over everything, these reach the ground that the model stands on too; so does work without paint. */
const reachesTheGround = ({ technique }: Step) =>
  isOneOf(technique, 'prime', 'airbrush', 'varnish', 'pigment') || (!factsOf(technique).usesPaint && technique !== 'decal');

const isIn = (over: Over, partId: string) => ('only' in over ? over.only.includes(partId) : !over.without.includes(partId));

/** Is the part that `pass` is in laid on by `over`, a pass over several parts? */
export function inField(over: StagedPass, pass: StagedPass): boolean {
  if (over.part !== null || pass.part === null) return false;
  const said = over.step.over;
  if (said && 'only' in said) return isIn(said, pass.part.id);
  return (!pass.isBase || reachesTheGround(over.step)) && (!said || isIn(said, pass.part.id));
}

/** Have two steps over several parts a part in common? Those that name no parts meet whatever is not all left out. */
export function fieldsMeet(a: StagedPass, b: StagedPass): boolean {
  if (a.part !== null || b.part !== null) return false;
  const [first, second] = [a.step.over, b.step.over];
  if (first && 'only' in first) return first.only.some((part) => !second || isIn(second, part));
  return second && 'only' in second ? fieldsMeet(b, a) : true;
}

/** In one part, or one of them laid over the part of the other, or over a part in common. */
export const meetOnTheModel = (a: StagedPass, b: StagedPass): boolean =>
  (a.part !== null && a.part === b.part) || inField(a, b) || inField(b, a) || fieldsMeet(a, b);
