import { isOneOf } from '../../kernel/isOneOf';
import { coatKey, readCoatKey } from '../../kernel/ids';
import type { FACES, Step } from './definitions';
import type { Schools } from './schools';

/**
 * A coat painted in two goes: all fronts, then all backs; or filled quickly, then cut in along its edges with a finer brush.
 * To the line, the marks and the log a half is a pass of its own, under the id of its step with the half behind it.
 */
export const HALVES = {
  'fronts then backs': ['fronts', 'backs'],
  'fill then cut in': ['fill', 'edges'],
} as const satisfies Partial<Record<(typeof FACES)[number], readonly [string, string]>>;

export type Half = (typeof HALVES)[keyof typeof HALVES][number];

/** Of the minutes of its coat. Ours, until the log shows the two apart. */
export const HALF_SHARE = 0.5;

/** What it is called behind the name of its step. */
export const HALF_LABELS = {
  fronts: 'fronts',
  backs: 'backs',
  fill: 'fill in',
  edges: 'cut in',
} as const satisfies Record<Half, string>;

const ALL: readonly (readonly [Half, Half])[] = Object.values(HALVES);

/** The halves that a step is painted in; a whole coat is one, null. The school is for layers and edge lines. */
export function halvesOf(step: Pick<Step, 'faces' | 'technique'>, { faces }: Pick<Schools, 'faces'>): readonly (Half | null)[] {
  if (step.faces !== 'whole') return HALVES[step.faces];
  return faces === 'fronts then backs' && isOneOf(step.technique, 'layer', 'edge') ? HALVES[faces] : [null];
}

const SUFFIX = new RegExp(`^(.+)\\.(${ALL.flat().join('|')})$`);

/**
 * The id under which a half is marked and logged.
 *
 * @example idOfHalf('coat', 'fronts') // 'coat.fronts'
 */
export const idOfHalf = (stepId: string, half: Half | null): string => (half === null ? stepId : `${stepId}.${half}`);

/**
 * The step that such an id is of, and which half.
 *
 * @example halfOfId('coat.fronts') // { stepId: 'coat', half: 'fronts' }
 */
export function halfOfId(id: string): { stepId: string; half: Half | null } {
  const found = SUFFIX.exec(id);
  return found ? { stepId: found[1]!, half: found[2] as Half } : { stepId: id, half: null };
}

/** All ids under which the step of such an id may be marked: its own, and those of its halves. */
export const idsOfStep = (id: string): string[] => {
  const { stepId } = halfOfId(id);
  return [stepId, ...ALL.flat().map((half) => idOfHalf(stepId, half))];
};

/**
 * The step of a pass key.
 *
 * @example stepOfKey('coat.fronts#2') // 'coat'
 */
export const stepOfKey = (passKey: string): string => halfOfId(readCoatKey(passKey).step).stepId;

/** Keys of the pairs of halves that make up the coat of a pass key, and of the coat as a whole. */
export function coatOfKey(passKey: string): { whole: string; pairs: [string, string][] } {
  const { coat } = readCoatKey(passKey);
  const step = stepOfKey(passKey);
  const key = (half: Half | null) => coatKey(idOfHalf(step, half), coat);
  return { whole: key(null), pairs: ALL.map(([a, b]) => [key(a), key(b)]) };
}

/** Behind the name of a step: which coat of several, and which half. */
export const coatWords = ({ coat, coats, half }: { coat: number; coats: number; half: Half | null }): string =>
  `${coats > 1 ? `, coat ${coat} of ${coats}` : ''}${half === null ? '' : `, ${HALF_LABELS[half]}`}`;
