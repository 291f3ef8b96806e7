import { isOneOf } from '../../kernel/isOneOf';
import type { Part, Step } from './definitions';
import { factsOf, type Technique } from './techniques';

/** How large parts are, as painters say it: shares of a model. On a foot figure a dot is an eye or a tongue, medium a sleeve. */
export const SHARES = { dot: 0.005, small: 0.03, medium: 0.1, large: 0.25 } as const;
export type ShareName = keyof typeof SHARES;
export const SHARE_NAMES = Object.keys(SHARES) as ShareName[];

/**
 * The name of a share that is just so large; null for one that has none.
 *
 * @example shareName(0.03) // 'small'
 */
export const shareName = (surface: number): ShareName | null => SHARE_NAMES.find((name) => isSame(SHARES[name], surface)) ?? null;

const isSame = (a: number, b: number) => Math.abs(a - b) < 1e-6;

/** Nothing that is painted covers less. */
export const LEAST_COVERAGE = 0.005;

/**
 * What a step in a part usually covers of the model: all of the part, a highlight a third of it.
 *
 * @example coverageIn('layer', { surface: 0.3 }) // 0.1
 */
export const coverageIn = (technique: Technique, { surface }: Pick<Part, 'surface'>): number =>
  Math.max(LEAST_COVERAGE, factsOf(technique).moment === 'highlight' ? surface / 3 : surface);

/** Does a step cover what is usual in its part? It stays so when the part, or what it is painted by, becomes another. */
export const followsPart = ({ technique, coverage }: Pick<Step, 'technique' | 'coverage'>, part: Pick<Part, 'surface'>): boolean =>
  isSame(coverage, coverageIn(technique, part));

/** The part at another size, with the steps that follow it; those set by hand stay as they are. */
export const resized = (part: Part, surface: number): Part => ({
  ...part,
  surface,
  steps: part.steps.map((step) => (followsPart(step, part) ? { ...step, coverage: coverageIn(step.technique, { surface }) } : step)),
});

const PERCENT = /^(\d+(?:\.\d+)?) ?%$/;

/**
 * A part as it is typed, with its share behind a comma where one is said.
 *
 * @example readPartName('Eye, dot') // { name: 'Eye', surface: 0.005 }
 * @example readPartName('Tongue, 2 %') // { name: 'Tongue', surface: 0.02 }
 */
export function readPartName(text: string): { name: string; surface: number | null } {
  const comma = text.lastIndexOf(',');
  const said = text
    .slice(comma + 1)
    .trim()
    .toLowerCase();
  const percent = Number(PERCENT.exec(said)?.[1]);
  const named = SHARE_NAMES.find((name) => name === said);
  const surface = named ? SHARES[named] : percent > 0 && percent <= 100 ? percent / 100 : null;
  return comma < 0 || surface === null ? { name: text.trim(), surface: null } : { name: text.slice(0, comma).trim(), surface };
}

/** Up to here it is a dot: it has dried before the brush is rinsed. */
const MOST_OF_A_DOT = 0.01;
const DOT_DRIES = 1 / 3;

/**
 * Minutes that a step usually dries, before its label or the painter say otherwise; a dot of paint a third as long.
 *
 * @example usualDrying({ technique: 'detail', coverage: 0.005 }) // 2.67
 */
export function usualDrying({ technique, coverage, own }: Pick<Step, 'technique' | 'coverage' | 'own'>): number {
  const { hand } = factsOf(technique);
  const dryMinutes = own?.dryMinutes ?? factsOf(technique).dryMinutes;
  return coverage <= MOST_OF_A_DOT && isOneOf(hand, 'broad brush', 'fine brush') ? dryMinutes * DOT_DRIES : dryMinutes;
}
