import type { Over, Part } from './definitions';
import { labelOf, type Named } from './techniques';

/** What is painted, in a sentence: "coat", or "everything" where no part is named. */
export const partWords = (part: string | null): string => part?.toLowerCase() || 'everything';

/** The same where it stands by itself: "coat", or "over everything". */
export const placeWords = (part: string | null): string => part?.toLowerCase() || 'over everything';

/**
 * A piece of work by itself: "Wash, over everything", with what is on the brush "Wash Bog wash, over everything".
 *
 * @example workWords({ technique: 'wash' }, null, 'Bog wash') // 'Wash Bog wash, over everything'
 */
export const workWords = (work: Named, part: string | null, paint: string | null = null): string =>
  `${labelOf(work)}${paint === null ? '' : ` ${paint}`}, ${placeWords(part)}`;

/** A piece of work in a sentence: "Wash on everything". */
export const workOnWords = (work: Named, part: string | null): string => `${labelOf(work)} on ${partWords(part)}`;

const MOST_NAMED = 3;

function listed(names: readonly string[]): string {
  const [last, ...others] =
    names.length > MOST_NAMED ? [`${names.length - MOST_NAMED} more`, ...names.slice(0, MOST_NAMED)] : names.toReversed();
  return others.length === 0 ? (last ?? 'nothing') : `${(names.length > MOST_NAMED ? others : others.reverse()).join(', ')} and ${last}`;
}

/**
 * The parts that a step over several is laid on, as they are called in one: "coat, hat and boots", "everything but face"; null for everything.
 *
 * @example overWords({ without: ['f'] }, [{ id: 'f', name: 'Face' }, { id: 'c', name: 'Coat' }]) // 'everything but face'
 */
export function overWords(over: Over | undefined, parts: readonly Pick<Part, 'id' | 'name'>[]): string | null {
  if (!over) return null;
  const named = (ids: readonly string[]) => listed(parts.filter(({ id }) => ids.includes(id)).map(({ name }) => name.toLowerCase()));
  if ('only' in over) return named(over.only);
  return over.without.length === 0 ? null : `everything but ${named(over.without)}`;
}
