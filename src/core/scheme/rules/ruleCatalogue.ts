import { HARD_ROWS, type HardRow } from './hardRows';
import { WISH_ROWS, type WishRow } from './wishRows';

/**
 * The order rules as a table: which pass stands before which, when, and why. Written over passes of one unit on one tray. Hard rows
 * hold always; a wish is a habit, worth minutes but no work. What strays onto a neighbour, and has to be painted again, has a table
 * of its own (`strays.ts`).
 */

/** What has no rows, because it follows from what strays how far. */
interface StrayRule {
  id: string;
  kind: 'touch-up';
  says: string;
  school?: undefined;
}

export const STRAYS: StrayRule = {
  id: 'strays',
  kind: 'touch-up',
  says: 'What strays onto a part that is painted has to be painted again.',
};
export const KEEP_CLEAR: StrayRule = {
  id: 'keep-clear',
  kind: 'touch-up',
  says: 'What must stay clean is painted before what strays onto it.',
};

export type CatalogueRule = HardRow | WishRow | StrayRule;

export const RULES: readonly CatalogueRule[] = [...HARD_ROWS, STRAYS, KEEP_CLEAR, ...WISH_ROWS];

/** Ids of earlier catalogues that schemes may still have switched off; what they said is said by others now. */
export const RETIRED_RULES: readonly string[] = ['mist-first', 'mist-lands-beside', 'strong-shade-first', 'dark-covers', 'lights-last'];

/** The catalogue's row of an id, if it has one. */
export const ruleOf = (id: string) => RULES.find((rule) => rule.id === id);
