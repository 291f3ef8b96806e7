import { readPartName } from '../../../scheme/model/shares';
import type { Mix, MixShare, Paint, StepFor } from '../../../scheme/model/definitions';
import { factsOf } from '../../../scheme/model/techniques';
import type { KnownNames, TypedLine, TypedMix, TypedScheme, TypedStep } from './definitions';
import { COATS, techniqueAt, techniqueWords, WHOM, type TechniqueWord } from './words';

/**
 * A scheme typed in as lines, one part each: `Coat: base Sea blue x2, layer Foam for leader, edge 2 Sea blue + Foam`. Before the colon
 * the part, with its share of the model behind a comma where it is said (`Eye, dot: detail Foam`), behind the colon its steps: a technique, a
 * paint of the shelf or a mix, how many coats, and for whom where not for all. `Over everything: prime Fog` goes over all parts,
 * `Everything but Face: wash Tar` over all but those named, `Over Coat and Hat: dry brush Foam` over those named.
 */

const OVER_EVERYTHING = /^(over everything|everything|all over|all)$/i;
const EVERYTHING_BUT = /^(?:over )?(?:everything|all) (?:but|except|without) (.+)$/i;
const OVER_SOME = /^over (.+)$/i;
const MOST_COATS = 10;

interface Reading extends KnownNames {
  words: readonly TechniqueWord[];
  say: (message: string) => void;
}

/** Reads lines against what is known by name. Nothing is guessed: what is not understood is a problem that names it. */
export function readSchemeLines(text: string, known: KnownNames): TypedScheme {
  const typed: TypedScheme = { lines: [], problems: [] };
  const words = techniqueWords(known.techniques);
  text.split('\n').forEach((raw, index) => {
    const line = raw.trim();
    if (line === '') return;
    const say = (message: string) => typed.problems.push({ line: index + 1, message });
    const colon = line.indexOf(':');
    const name = line.slice(0, Math.max(0, colon)).trim();
    if (name === '') {
      say(`"${line}" names no part: begin with one and a colon, as Coat: base Sea blue.`);
      return;
    }
    const steps = line
      .slice(colon + 1)
      .split(',')
      .map((each) => each.trim())
      .filter((each) => each !== '')
      .flatMap((each) => readStep(each, { ...known, words, say }));
    typed.lines.push({ line: index + 1, ...placeOf(name), steps });
  });
  return typed;
}

/** Where a line goes: a part, everything, or several parts by their names. */
function placeOf(text: string): Pick<TypedLine, 'part' | 'surface' | 'over'> {
  const over = { part: null, surface: null };
  if (OVER_EVERYTHING.test(text)) return over;
  const but = EVERYTHING_BUT.exec(text);
  if (but) return { ...over, over: { without: namesIn(but[1]!) } };
  const some = OVER_SOME.exec(text);
  if (some) return { ...over, over: { only: namesIn(some[1]!) } };
  const { name, surface } = readPartName(text);
  return { part: name, surface };
}

const namesIn = (text: string): string[] =>
  text
    .split(/,|\band\b|\+/i)
    .map((each) => each.trim())
    .filter((each) => each !== '');

function readStep(text: string, known: Reading): TypedStep[] {
  const found = techniqueAt(text, known.words);
  if (!found) {
    known.say(
      `"${text}" has no technique: begin with one, as base, layer, edge, wash or dry brush. Techniques of your own are added in House rules.`,
    );
    return [];
  }
  const { word, technique, own } = found;
  // A paint may be called after what it is for, or how many coats it takes.
  const behind = text.slice(word.length).trim();
  const { rest, coats, whom } = isNamed(behind, known) ? { rest: behind, coats: 1, whom: null } : endOf(` ${behind}`);
  if (coats < 1 || coats > MOST_COATS) {
    known.say(`"${text}" has ${coats} coats: give 1 to ${MOST_COATS}.`);
    return [];
  }
  const pot = factsOf(technique).usesPaint && rest !== '' ? potNamed(rest, known) : { paint: null, unknownPaints: [] };
  return [{ technique, ...(own && { own }), coats, ...pot, ...whoIs(whom, known) }];
}

const isNamed = (text: string, { paints, mixes = [] }: KnownNames): boolean =>
  [...paints, ...mixes].some(({ name }) => name.toLowerCase() === text.toLowerCase());

/** What stands behind the paint, in either order: how many coats, for whom. */
function endOf(text: string): { rest: string; coats: number; whom: { word: string; names: string } | null } {
  let rest = text;
  let coats = 1;
  const takeCoats = () => {
    const typed = COATS.exec(rest);
    if (!typed) return;
    coats = Number(typed[1] ?? typed[2]);
    rest = rest.slice(0, typed.index);
  };
  takeCoats();
  const whom = WHOM.exec(rest);
  if (whom) rest = rest.slice(0, whom.index);
  takeCoats();
  return { rest: rest.trim(), coats, whom: whom && { word: whom[1]!.toLowerCase(), names: whom[2]! } };
}

function whoIs(whom: { word: string; names: string } | null, { who = [] }: KnownNames): { for: StepFor; unknownWho: string[] } {
  if (whom === null) return { for: null, unknownWho: [] };
  const ids: string[] = [];
  const unknownWho: string[] = [];
  for (const name of namesIn(whom.names)) {
    const wanted = name.toLowerCase();
    const found = who.find((each) => each.name.toLowerCase() === wanted || `${each.name.toLowerCase()}s` === wanted);
    if (found) ids.push(found.id);
    else unknownWho.push(name);
  }
  return { for: whom.word === 'for' ? { only: ids } : { without: ids }, unknownWho };
}

type TypedPot = Pick<TypedStep, 'paint' | 'mix' | 'unknownPaints'>;

/** A paint or a mix by its name, or a mix by its shares: `2 Sea blue + Foam`. */
function potNamed(text: string, known: KnownNames): TypedPot {
  const one = paintOrMix(text, known);
  if (one !== null) return 'of' in one ? { paint: null, mix: one, unknownPaints: [] } : { paint: one, unknownPaints: [] };
  const shares = text.split('+').map((each) => each.trim());
  if (shares.length < 2 || shares.includes('')) return { paint: null, unknownPaints: [text] };
  const of: MixShare[] = [];
  const names: string[] = [];
  const unknownPaints: string[] = [];
  for (const share of shares) {
    const [, amount, name] = /^(?:(\d+(?:[.]\d+)?)\s*(?:x|parts?)?\s+)?(.+)$/i.exec(share)!;
    const parts = Number(amount ?? 1);
    const pot = paintOrMix(name!, known);
    if (pot === null || !(parts > 0)) unknownPaints.push(name!);
    else of.push('of' in pot ? { mix: pot.id, parts } : { paint: pot.id, parts });
    names.push(`${parts === 1 ? '' : `${parts} `}${pot?.name ?? name}`);
  }
  const mix: TypedMix = { name: names.join(' + '), of };
  return unknownPaints.length > 0 ? { paint: null, unknownPaints } : { paint: null, mix, unknownPaints };
}

/** By its whole name, or by the beginning of it where only one begins so; of what is on the shelf first. */
function paintOrMix(name: string, { paints, mixes = [], common = [] }: KnownNames): Paint | Mix | null {
  const wanted = name.toLowerCase();
  for (const from of [[...paints, ...mixes], common]) {
    const whole = from.find((each) => each.name.toLowerCase() === wanted);
    if (whole) return whole;
    const beginning = from.filter((each) => each.name.toLowerCase().startsWith(wanted));
    if (beginning.length > 0) return beginning.length === 1 ? beginning[0]! : null;
  }
  return null;
}
