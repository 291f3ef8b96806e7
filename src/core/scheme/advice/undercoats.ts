import { isOneOf } from '../../kernel/isOneOf';
import { type Paint, type Part, type Scheme, type Step, type Unit, includesStandard, type Standard } from '../model/definitions';
import { isLaidOn } from '../model/field';
import { lightnessOf } from '../../colour/difference';
import { factsOf } from '../model/techniques';
import { overWords } from '../model/workWords';

/** What an undercoat in one colour would change for a unit. */
export interface UndercoatAdvice {
  paint: Paint;
  isPresent: boolean;
  /** First coats that are there already when the models are primed. */
  saved: PlacedStep[];
  /** What it makes harder, in words. */
  harms: string[];
  /** Over the unit, against the present undercoat; negative where it saves. */
  minutes: number;
}

interface PlacedStep {
  step: Step;
  /** Null for one over several parts. */
  part: Part | null;
}

/** Hands-on minutes of one coat of a step over the whole unit. */
export type CoatMinutes = (step: Step, part: Part | null) => number;

/** CIE L*: translucent paint needs a ground at least so pale, */
const PALE_ENOUGH = 65;
/** metal covers in one coat on a ground at most so pale, */
const DARK_ENOUGH = 65;
/** and paint at least so light takes one coat more over a ground at most so dark. */
const LIGHT_PAINT = 75;
const DARK_GROUND = 35;
/** A brush that goes over the high places alone leaves a ground at least as light looking wrong beside them. */
const BRUSHED_OVER: readonly Step['technique'][] = ['overbrush', 'sponge', 'stipple'];
const BASES: readonly Step['technique'][] = ['basecoat', 'translucent', 'airbrush', 'wash', ...BRUSHED_OVER];
const VEILS: readonly Step['technique'][] = ['basecoat', 'translucent', 'airbrush'];

/** The primer over everything; null where there is none. */
export const primeOf = ({ allOver }: Pick<Scheme, 'allOver'>): Step | null => allOver.find((step) => step.technique === 'prime') ?? null;

/**
 * For each undercoat in question: the coats it saves, what it harms, and the minutes of both over the unit, the one that saves most
 * first. Ours: the thresholds above, in CIE L* under D65.
 */
export function undercoatAdvice(
  unit: Pick<Unit, 'scheme'>,
  standard: Standard,
  shelf: ReadonlyMap<string, Paint>,
  candidates: readonly Paint[],
  minutesOf: CoatMinutes,
): UndercoatAdvice[] {
  const present = primeOf(unit.scheme);
  if (!present) return [];
  const bases = onThePrimer(unit.scheme, standard);
  const effects = (ground: Paint) => effectsOf(ground, bases, unit.scheme.parts, shelf, minutesOf);
  const presentPaint = present.paint === null ? null : (shelf.get(present.paint) ?? null);
  const now = presentPaint ? effects(presentPaint).minutes : 0;
  return candidates
    .map((paint): UndercoatAdvice => {
      const { saved, harms, minutes } = effects(paint);
      return { paint, isPresent: paint.id === present.paint, saved, harms, minutes: minutes - now };
    })
    .sort((a, b) => a.minutes - b.minutes);
}

function effectsOf(
  ground: Paint,
  bases: readonly PlacedStep[],
  parts: readonly Part[],
  shelf: ReadonlyMap<string, Paint>,
  minutesOf: CoatMinutes,
) {
  const saved: PlacedStep[] = [];
  const harms: string[] = [];
  let minutes = 0;
  const lightness = lightnessOf(ground);
  for (const { step, part } of bases) {
    const paint = step.paint === null ? null : (shelf.get(step.paint) ?? null);
    if (!paint) continue;
    const coat = minutesOf(step, part);
    const isForAll = step.for === null && step.paintFor.length === 0;
    if (paint.id === ground.id && isForAll) {
      saved.push({ step, part });
      minutes -= coat;
      continue;
    }
    const harm = harmOf(paint, step, part === null ? (overWords(step.over, parts) ?? 'everything') : part.name, lightness);
    if (harm !== null) {
      harms.push(harm);
      minutes += coat;
    }
  }
  return { saved, harms, minutes };
}

/**
 * What lies on the primer itself: the first paint of each part, primer aside, but for parts that a first colour over several goes over
 * before; there it is that colour.
 */
function onThePrimer({ parts, allOver }: Pick<Scheme, 'parts' | 'allOver'>, standard: Standard): PlacedStep[] {
  const isPlanned = (step: Step) => includesStandard(standard, step.standard);
  const veils = allOver.filter(
    (step) => isPlanned(step) && (step.moment === 'base' || (step.moment === null && VEILS.includes(step.technique))),
  );
  const firsts = parts.flatMap((part): PlacedStep[] => {
    const first = part.steps.find((step) => isPlanned(step) && factsOf(step.technique).usesPaint && step.technique !== 'prime');
    return first && BASES.includes(first.technique) && !veils.some((veil) => isLaidOn(veil, part)) ? [{ step: first, part }] : [];
  });
  // A veil under another is on the primer only where the first does not go; to the painter it is the first that counts.
  return [...firsts, ...veils.slice(0, 1).map((step) => ({ step, part: null }))];
}

function harmOf(paint: Paint, step: Step, name: string, ground: number): string | null {
  const isSheer = step.technique === 'translucent' || step.technique === 'wash' || isOneOf(paint.kind, 'translucent', 'wash', 'ink');
  if (isSheer && ground < PALE_ENOUGH) return `${name}: translucent, needs a pale coat under it`;
  if (BRUSHED_OVER.includes(step.technique))
    return ground >= lightnessOf(paint) ? `${name}: brushed over, needs a darker coat under it` : null;
  if (paint.kind === 'metallic' && ground > DARK_ENOUGH) return `${name}: metal over pale, one coat more`;
  if (paint.kind === 'opaque' && lightnessOf(paint) >= LIGHT_PAINT && ground <= DARK_GROUND)
    return `${name}: light over dark, one coat more`;
  return null;
}

/** Undercoats worth asking about: the present one, the largest base coats, and the palest and the darkest paint of the shelf. */
export function undercoatCandidates({ scheme }: Pick<Unit, 'scheme'>, shelf: ReadonlyMap<string, Paint>): Paint[] {
  const bases = scheme.parts.flatMap((part) => part.steps.filter((step) => step.technique === 'basecoat').map((step) => ({ step, part })));
  const main = bases.sort((a, b) => b.part.surface - a.part.surface).flatMap(({ step }) => (step.paint === null ? [] : [step.paint]));
  const opaque = [...shelf.values()].filter((paint) => paint.kind === 'opaque').sort((a, b) => lightnessOf(a) - lightnessOf(b));
  const ids = new Set([primeOf(scheme)?.paint ?? '', ...[...new Set(main)].slice(0, 3), opaque[0]?.id ?? '', opaque.at(-1)?.id ?? '']);
  return [...ids].flatMap((id) => {
    const paint = shelf.get(id);
    return paint && paint.kind !== 'wash' && paint.kind !== 'varnish' ? [paint] : [];
  });
}

/** The scheme primed in another colour: first coats that are there then are left out. */
export function withUndercoat(scheme: Scheme, { paint, saved }: Pick<UndercoatAdvice, 'paint' | 'saved'>): Scheme {
  const prime = primeOf(scheme);
  const isSaved = new Set(saved.map(({ step }) => step.id));
  const left = (steps: readonly Step[]) =>
    steps.flatMap((step) => {
      if (!isSaved.has(step.id)) return [step];
      return step.coats > 1 ? [{ ...step, coats: step.coats - 1 }] : [];
    });
  return {
    ...scheme,
    allOver: left(scheme.allOver).map((step) => (step === prime ? { ...step, paint: paint.id, mix: null } : step)),
    parts: scheme.parts.map((part) => ({ ...part, steps: left(part.steps) })),
  };
}
