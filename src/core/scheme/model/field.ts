import { isOneOf } from '../../kernel/isOneOf';
import type { Over, Part, Step } from './definitions';
import { factsOf } from './techniques';

/** Which parts a step over several is laid on: its field. */

/** Sprayed or dusted over everything, these reach the ground that the model stands on too; so does work without paint. */
const reachesTheGround = (technique: Step['technique']) =>
  isOneOf(technique, 'prime', 'airbrush', 'varnish', 'pigment') || (!factsOf(technique).usesPaint && technique !== 'decal');

export const isNamedBy = (over: Over, partId: string): boolean =>
  'only' in over ? over.only.includes(partId) : !over.without.includes(partId);

/** Is a step over several parts, or over everything, laid on this part? */
export const isLaidOn = ({ technique, over }: Pick<Step, 'technique' | 'over'>, { id, isBase }: Pick<Part, 'id' | 'isBase'>): boolean =>
  over && 'only' in over ? isNamedBy(over, id) : (!isBase || reachesTheGround(technique)) && (!over || isNamedBy(over, id));

const LEAST_SURFACE = 0.005;

/** Share of the model that such a step covers: its parts together, and at least a little. */
export function surfaceOf(step: Pick<Step, 'technique' | 'over'>, parts: readonly Part[]): number {
  const surface = parts.filter((part) => isLaidOn(step, part)).reduce((sum, part) => sum + part.surface, 0);
  return Math.min(1, Math.max(LEAST_SURFACE, Math.round(surface * 1000) / 1000));
}
