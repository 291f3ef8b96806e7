import { factsOf, type Technique } from './techniques';

/** What is painted, in a sentence: "coat", or "everything" where no part is named. */
export const partWords = (part: string | null): string => part?.toLowerCase() || 'everything';

/** The same where it stands by itself: "coat", or "over everything". */
export const placeWords = (part: string | null): string => part?.toLowerCase() || 'over everything';

/** A piece of work by itself: "Wash, over everything", with what is on the brush "Wash Bog wash, over everything". */
export const workWords = (technique: Technique, part: string | null, paint: string | null = null): string =>
  `${factsOf(technique).label}${paint === null ? '' : ` ${paint}`}, ${placeWords(part)}`;

/** A piece of work in a sentence: "Wash on everything". */
export const workOnWords = (technique: Technique, part: string | null): string => `${factsOf(technique).label} on ${partWords(part)}`;
