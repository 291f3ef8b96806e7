import { factsOf, OTHER_NAMES, TECHNIQUES, type OwnTechnique, type Technique } from '../../../scheme/model/techniques';

/** A technique as it may be typed. */
export interface TechniqueWord {
  /** Lower case. */
  word: string;
  technique: Technique;
  own?: OwnTechnique;
}

const SHIPPED: readonly TechniqueWord[] = [
  ...TECHNIQUES.map((technique) => ({ word: factsOf(technique).label.toLowerCase(), technique })),
  ...TECHNIQUES.map((technique) => ({ word: technique, technique })),
  ...Object.entries(OTHER_NAMES).map(([word, technique]) => ({ word, technique })),
];

/** All words for techniques, the longest first: "base coat" is looked for before "base". */
export const techniqueWords = (techniques: readonly OwnTechnique[] = []): TechniqueWord[] =>
  [...techniques.map((own): TechniqueWord => ({ word: own.name.toLowerCase(), technique: own.like, own })), ...SHIPPED].sort(
    (a, b) => b.word.length - a.word.length,
  );

/** The technique that a text begins with, as a whole word; undefined where it begins with none. */
export function techniqueAt(text: string, words: readonly TechniqueWord[]): TechniqueWord | undefined {
  const lower = text.toLowerCase();
  return words.find(({ word }) => lower === word || lower.startsWith(`${word} `));
}

export const COATS = /\s+(?:x\s*(\d+)|(\d+)\s*(?:x|coats?))$/i;
export const WHOM = /\s+(for|without)\s+(.+)$/i;
