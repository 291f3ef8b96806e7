import { surfaceOf } from '../../scheme/model/field';
import { usualPart, usualStep } from '../../scheme/authoring/briefScheme';
import { byTechnique } from '../../scheme/authoring/ownTechnique';
import { factsOf, isByPiece, OTHER_NAMES, TECHNIQUES, type OwnTechnique, type Technique } from '../../scheme/model/techniques';
import { coverageIn, readPartName, resized } from '../../scheme/model/shares';
import { mapOver, type Over, type Paint, type Part, type Scheme, type Step } from '../../scheme/model/definitions';

/**
 * A scheme typed in as lines, one part each: `Coat: base Sea blue x2, layer Foam, edge`. Before the colon the part, with its share of the
 * model behind a comma where it is said (`Eye, dot: detail Foam`), behind the colon its steps: a technique, a paint of the shelf, how many coats. `Over everything: prime Fog` goes over all parts, `Everything but Face: wash Tar` over
 * all but those named, `Over Coat and Hat: dry brush Foam` over those named.
 */
export interface TypedScheme {
  lines: TypedLine[];
  /** What could not be taken, by line, counted from 1. */
  problems: { line: number; message: string }[];
}

export interface TypedLine {
  /** Null for what goes over everything, or over several parts. */
  part: string | null;
  /** Its share of the model; null where nobody has said. */
  surface: number | null;
  /** Names of parts; left out for everything. */
  over?: Over;
  steps: TypedStep[];
}

export interface TypedStep {
  technique: Technique;
  /** The painter's own; left out for a shipped one. */
  own?: OwnTechnique;
  paint: Paint | null;
  /** As it was typed, where the shelf has none of that name. */
  unknownPaint: string | null;
  coats: number;
}

const OVER_EVERYTHING = /^(over everything|everything|all over|all)$/i;
const EVERYTHING_BUT = /^(?:over )?(?:everything|all) (?:but|except|without) (.+)$/i;
const OVER_SOME = /^over (.+)$/i;
const COATS = /\s+(?:x\s*(\d+)|(\d+)\s*(?:x|coats?))$/i;
const MOST_COATS = 10;

type Word = readonly [word: string, technique: Technique, own?: OwnTechnique];
const longestFirst = ([a]: Word, [b]: Word) => b.length - a.length;
const WORDS: readonly Word[] = [
  ...TECHNIQUES.map((technique): Word => [factsOf(technique).label.toLowerCase(), technique]),
  ...TECHNIQUES.map((technique): Word => [technique, technique]),
  ...Object.entries(OTHER_NAMES),
];

/** Reads lines against the paints of a shelf and the painter's own techniques. Nothing is guessed: what is not understood is a problem that names it. */
export function readSchemeLines(text: string, shelf: readonly Paint[], techniques: readonly OwnTechnique[] = []): TypedScheme {
  const typed: TypedScheme = { lines: [], problems: [] };
  const words = [...techniques.map((own): Word => [own.name.toLowerCase(), own.like, own]), ...WORDS].sort(longestFirst);
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
      .flatMap((each) => readStep(each, shelf, words, say));
    typed.lines.push({ ...placeOf(name), steps });
  });
  return typed;
}

/** Where a line goes: a part, everything, or several parts by their names. */
function placeOf(text: string): Omit<TypedLine, 'steps'> {
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

function readStep(text: string, shelf: readonly Paint[], words: readonly Word[], say: (message: string) => void): TypedStep[] {
  const coatsTyped = COATS.exec(text);
  const coats = coatsTyped ? Number(coatsTyped[1] ?? coatsTyped[2]) : 1;
  const rest = coatsTyped ? text.slice(0, coatsTyped.index) : text;
  const lower = rest.toLowerCase();
  const known = words.find(([word]) => lower === word || lower.startsWith(`${word} `));
  if (!known) {
    say(`"${text}" has no technique: begin with one, as base, layer, edge, wash or dry brush.`);
    return [];
  }
  if (coats < 1 || coats > MOST_COATS) {
    say(`"${text}" has ${coats} coats: give 1 to ${MOST_COATS}.`);
    return [];
  }
  const [word, technique, own] = known;
  const work = { technique, ...(own && { own }), coats };
  const named = rest.slice(word.length).trim();
  if (!factsOf(technique).usesPaint) return [{ ...work, paint: null, unknownPaint: null }];
  const paint = named === '' ? null : paintNamed(named, shelf);
  return [{ ...work, paint, unknownPaint: named !== '' && paint === null ? named : null }];
}

/** By its whole name, or by the beginning of it where only one begins so. */
function paintNamed(name: string, shelf: readonly Paint[]): Paint | null {
  const wanted = name.toLowerCase();
  const whole = shelf.find((paint) => paint.name.toLowerCase() === wanted);
  if (whole) return whole;
  const beginning = shelf.filter((paint) => paint.name.toLowerCase().startsWith(wanted));
  return beginning.length === 1 ? beginning[0]! : null;
}

const SURFACE = 0.2;
const FROM_TABLE = ['highlight', 'detail', 'weather', 'sealed'];

/** The scheme with the lines in it: steps of a part that is there already go to the end of its strip. Parts that a line goes over are made where they are new. */
export function withSchemeLines(scheme: Scheme, lines: readonly TypedLine[], newId: () => string): Scheme {
  const stepOf = ({ technique, own, paint, coats, unknownPaint }: TypedStep, surface: number): Step => {
    return {
      ...usualStep(newId(), technique, paint?.id ?? null, coverageIn(technique, { surface })),
      ...(own && byTechnique(own)),
      // Three transfers are three on each model, not three coats.
      ...(isByPiece(technique) ? { coats: 1, pieces: coats } : { coats }),
      standard: FROM_TABLE.includes(factsOf(technique).moment) ? 'table' : 'quick',
      note: unknownPaint ?? '',
    };
  };
  let { parts, allOver } = scheme;
  const partNamed = (name: string) => parts.find((part) => part.name.trim().toLowerCase() === name.toLowerCase());
  const partId = (name: string): string => {
    const known = partNamed(name);
    if (known) return known.id;
    const made = { ...usualPart(newId(), name, []), surface: SURFACE };
    parts = [...parts, made];
    return made.id;
  };
  for (const line of lines) {
    if (line.part === null) {
      const over = line.over && mapOver(line.over, (names) => names.map(partId));
      const surface = ({ technique }: TypedStep) => (over ? surfaceOf({ technique, over }, parts) : 1);
      allOver = [...allOver, ...line.steps.map((step) => ({ ...stepOf(step, surface(step)), ...(over && { over }) }))];
      continue;
    }
    const name = line.part;
    const known = partNamed(name);
    const surface = line.surface ?? known?.surface ?? SURFACE;
    const steps = line.steps.map((step) => stepOf(step, surface));
    const into = (part: Part): Part => ({ ...part, steps: [...part.steps, ...steps] });
    parts = known
      ? parts.map((part) => (part === known ? into(resized(known, surface)) : part))
      : [...parts, { ...usualPart(newId(), name, steps), surface }];
  }
  return { ...scheme, parts, allOver };
}
