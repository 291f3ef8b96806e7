import { type Paint, type Part, type Scheme, type Step, type Unit, includesStandard, type Standard } from '../model/definitions';
import { lightnessOf } from '../model/pots';

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
  part: Part;
}

/** Hands-on minutes of one coat of a step over the whole unit. */
export type CoatMinutes = (step: Step, part: Part) => number;

/** CIE L*: translucent paint needs a ground at least so pale, */
const PALE_ENOUGH = 65;
/** metal covers in one coat on a ground at most so pale, */
const DARK_ENOUGH = 65;
/** and paint at least so light takes one coat more over a ground at most so dark. */
const LIGHT_PAINT = 75;
const DARK_GROUND = 35;
const BASES: readonly Step['technique'][] = ['basecoat', 'translucent'];

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
  const bases: PlacedStep[] = unit.scheme.parts.flatMap((part) =>
    part.steps
      .filter((step) => BASES.includes(step.technique) && includesStandard(standard, step.standard))
      .map((step) => ({ step, part })),
  );
  const effects = (ground: Paint) => effectsOf(ground, bases, shelf, minutesOf);
  const presentPaint = present.paint === null ? null : (shelf.get(present.paint) ?? null);
  const now = presentPaint ? effects(presentPaint).minutes : 0;
  return candidates
    .map((paint): UndercoatAdvice => {
      const { saved, harms, minutes } = effects(paint);
      return { paint, isPresent: paint.id === present.paint, saved, harms, minutes: minutes - now };
    })
    .sort((a, b) => a.minutes - b.minutes);
}

function effectsOf(ground: Paint, bases: readonly PlacedStep[], shelf: ReadonlyMap<string, Paint>, minutesOf: CoatMinutes) {
  const saved: PlacedStep[] = [];
  const harms: string[] = [];
  let minutes = 0;
  const lightness = lightnessOf(ground);
  const seen = new Set<Part>();
  for (const { step, part } of bases) {
    // Only what lies on the primer itself, not what goes over another base coat.
    if (seen.has(part)) continue;
    seen.add(part);
    const paint = step.paint === null ? null : (shelf.get(step.paint) ?? null);
    if (!paint) continue;
    const coat = minutesOf(step, part);
    const isForAll = step.for === null && step.paintFor.length === 0;
    if (paint.id === ground.id && isForAll) {
      saved.push({ step, part });
      minutes -= coat;
      continue;
    }
    const harm = harmOf(paint, step, part, lightness);
    if (harm !== null) {
      harms.push(harm);
      minutes += coat;
    }
  }
  return { saved, harms, minutes };
}

function harmOf(paint: Paint, step: Step, part: Part, ground: number): string | null {
  if ((step.technique === 'translucent' || paint.kind === 'translucent') && ground < PALE_ENOUGH)
    return `${part.name}: translucent, needs a pale coat under it`;
  if (paint.kind === 'metallic' && ground > DARK_ENOUGH) return `${part.name}: metal over pale, one coat more`;
  if (paint.kind === 'opaque' && lightnessOf(paint) >= LIGHT_PAINT && ground <= DARK_GROUND)
    return `${part.name}: light over dark, one coat more`;
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
  return {
    ...scheme,
    allOver: scheme.allOver.map((step) => (step === prime ? { ...step, paint: paint.id, mix: null } : step)),
    parts: scheme.parts.map((part) => ({
      ...part,
      steps: part.steps.flatMap((step) => {
        if (!isSaved.has(step.id)) return [step];
        return step.coats > 1 ? [{ ...step, coats: step.coats - 1 }] : [];
      }),
    })),
  };
}
