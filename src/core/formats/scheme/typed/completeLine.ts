import type { Paint } from '../../../scheme/model/definitions';
import { factsOf, TECHNIQUES } from '../../../scheme/model/techniques';
import { SHARE_NAMES } from '../../../scheme/model/shares';
import type { KnownNames } from './definitions';
import { techniqueAt, techniqueWords } from './words';

export interface Completion {
  /** What is offered, in the order it is likely meant. */
  options: CompletionOption[];
  /** Where in the text what is typed of it begins; it ends at the caret. */
  from: number;
}

export interface CompletionOption {
  text: string;
  what: 'part' | 'share' | 'technique' | 'paint' | 'mix' | 'group' | 'coats';
  paint?: Paint;
  /** Not on the shelf yet. */
  isNew?: true;
}

const MOST_OPTIONS = 8;
const OVER = ['Over everything', 'Everything but '];
const COATS_OFFERED = ['x2', 'x3'];
const NOTHING: Completion = { from: 0, options: [] };

/**
 * What may be meant by what is typed before the caret: parts and their shares before the colon; behind it techniques, then paints and mixes, then coats
 * and for whom. Nothing is offered before a letter is typed, nor for a word that is whole.
 *
 * @example completeLine('Eye, do', 7, { paints: [] }) // { from: 5, options: [{ text: 'dot', what: 'share' }] }
 */
export function completeLine(text: string, caret: number, known: KnownNames): Completion {
  const before = text.slice(text.lastIndexOf('\n', caret - 1) + 1, caret);
  const colon = before.indexOf(':');
  const start = Math.max(colon, before.lastIndexOf(',')) + 1;
  const piece = before.slice(start).trimStart();
  const offer = (typed: string, options: readonly CompletionOption[]): Completion => ({
    from: caret - typed.length,
    options: matching(typed, options),
  });
  if (colon < 0) {
    const of = known.parts ?? [];
    if (start > 0) return offer(piece, [...SHARE_NAMES.map((share): CompletionOption => ({ text: share, what: 'share' })), ...partsOf(of)]);
    const over = /^(?:over|(?:over )?everything but) (.*)$/i.exec(piece);
    const named = over && lastOf(over[1]!, /\band\s+|\+\s*/i);
    if (named !== null) return offer(named, [...partsOf(of), ...partsOf(['everything'])]);
    return offer(piece, [...partsOf(of), ...partsOf(OVER)]);
  }
  const words = techniqueWords(known.techniques);
  const found = techniqueAt(piece, words);
  if (!found || piece.length === found.word.length) return offer(piece, techniqueOptions(known));
  const rest = piece.slice(found.word.length + 1);
  const whom = /(?:^|\s)(?:for|without)\s+(.*)$/i.exec(rest);
  const isPaint = [...known.paints, ...(known.mixes ?? [])].some(({ name }) => name.toLowerCase() === rest.toLowerCase());
  if (whom && !isPaint)
    return offer(
      lastOf(whom[1]!, /\band\s+|\+\s*/i),
      (known.who ?? []).map(({ name }): CompletionOption => ({ text: name, what: 'group' })),
    );
  if (!factsOf(found.technique).usesPaint) return NOTHING;
  const share = lastOf(rest, /\+\s*/).replace(/^\d+\s+/, '');
  const pots = potOptions(known);
  // Behind a whole name stands how many coats, and for whom.
  const whole = pots.find((pot) => share.toLowerCase().startsWith(`${pot.text.toLowerCase()} `));
  const behind = whole && share.slice(whole.text.length + 1);
  const named = offer(share, pots);
  if (named.options.length > 0 || behind === undefined) return named;
  const coats = COATS_OFFERED.map((each): CompletionOption => ({ text: each, what: 'coats' }));
  const forWhom = (known.who ?? []).map(({ name }): CompletionOption => ({ text: `for ${name}`, what: 'group' }));
  return offer(behind, [...coats, ...forWhom]);
}

const partsOf = (names: readonly string[]) => names.map((text): CompletionOption => ({ text, what: 'part' }));

/** What stands behind the last separator. */
const lastOf = (text: string, separator: RegExp): string => text.split(separator).at(-1)!.trimStart();

const techniqueOptions = ({ techniques = [] }: KnownNames): CompletionOption[] =>
  [...techniques.map(({ name }) => name.toLowerCase()), ...TECHNIQUES.map((each) => factsOf(each).label.toLowerCase())].map((text) => ({
    text,
    what: 'technique',
  }));

const potOptions = ({ paints, mixes = [], common = [] }: KnownNames): CompletionOption[] => [
  ...paints.map((paint): CompletionOption => ({ text: paint.name, what: 'paint', paint })),
  ...mixes.map(({ name }): CompletionOption => ({ text: name, what: 'mix' })),
  ...common.map((paint): CompletionOption => ({ text: paint.name, what: 'paint', paint, isNew: true })),
];

/** Those that begin so, then those with a word that begins so; none for a word that is there whole. */
function matching(typed: string, options: readonly CompletionOption[]): CompletionOption[] {
  const wanted = typed.toLowerCase();
  if (wanted.trim() === '' || options.some(({ text }) => text.toLowerCase() === wanted.trimEnd())) return [];
  const begins = options.filter(({ text }) => text.toLowerCase().startsWith(wanted));
  const within = options.filter(({ text }) => !begins.some((each) => each.text === text) && text.toLowerCase().includes(` ${wanted}`));
  return [...begins, ...within].slice(0, MOST_OPTIONS);
}
