import { includesStandard, type Paint, type Part, type Standard, type Step, type Unit } from '../scheme/model/definitions';
import { differenceOf, labOf } from '../colour/difference';

/** CIEDE2000 below which neighbouring parts run together at arm's length, and below which a highlight is hardly seen on its base. */
export const NEIGHBOUR_DIFFERENCE = 10;
export const HIGHLIGHT_DIFFERENCE = 8;

/** Two parts that touch, in colours too alike to read. */
export interface AlikeParts {
  unitId: string;
  parts: [string, string];
  paints: [Paint, Paint];
  difference: number;
}

/** A step that lightens a part by too little to be worth its minutes. */
export interface FaintStep {
  unitId: string;
  part: string;
  step: Step;
  paints: [base: Paint, over: Paint];
  difference: number;
}

export interface Contrast {
  alike: AlikeParts[];
  faint: FaintStep[];
}

export interface ContrastLimits {
  neighbours: number;
  highlights: number;
}

const BASES: readonly Step['technique'][] = ['basecoat', 'translucent', 'airbrush'];
const LIGHTENING: readonly Step['technique'][] = ['layer', 'edge', 'drybrush', 'overbrush', 'stipple'];

/** What of a unit's colours is too alike, for the standard paid for; paints by id, mixes among them. */
export function contrastOf(
  unit: Pick<Unit, 'id' | 'scheme'>,
  standard: Standard,
  paints: ReadonlyMap<string, Paint>,
  potOf: (step: Step) => string | null,
  limits: ContrastLimits,
): Contrast {
  const { parts } = unit.scheme;
  const paintOf = (step: Step) => paints.get(potOf(step) ?? '') ?? null;
  const paid = (part: Part) => part.steps.filter((step) => includesStandard(standard, step.standard));
  const bases = parts.map((part) => {
    const base = paid(part).find((step) => BASES.includes(step.technique));
    return base ? paintOf(base) : null;
  });
  const alike = neighbours(parts).flatMap(([one, other]): AlikeParts[] => {
    const [a, b] = [bases[one] ?? null, bases[other] ?? null];
    if (!a || !b) return [];
    const difference = differenceOf(labOf(a.hex), labOf(b.hex));
    if (difference >= limits.neighbours) return [];
    return [{ unitId: unit.id, parts: [parts[one]!.name, parts[other]!.name], paints: [a, b], difference }];
  });
  const faint = parts.flatMap((part, index): FaintStep[] => {
    const base = bases[index];
    if (!base) return [];
    return paid(part).flatMap((step) => {
      const over = LIGHTENING.includes(step.technique) ? paintOf(step) : null;
      if (!over) return [];
      const difference = differenceOf(labOf(base.hex), labOf(over.hex));
      return difference < limits.highlights
        ? [{ unitId: unit.id, part: part.name, step, paints: [base, over] as [Paint, Paint], difference }]
        : [];
    });
  });
  return { alike, faint };
}

/** A step that lightens its part by less than shows, as it is now; null where it shows, or lightens nothing. */
export function isFaint<P extends Pick<Paint, 'hex'>>(
  part: Part,
  step: Step,
  potOf: (step: Step) => P | null,
): { base: P; over: P; difference: number } | null {
  if (!LIGHTENING.includes(step.technique)) return null;
  const under = part.steps.find((each) => BASES.includes(each.technique));
  const base = under && potOf(under);
  const over = potOf(step);
  if (!base || !over) return null;
  const difference = differenceOf(labOf(base.hex), labOf(over.hex));
  return difference < HIGHLIGHT_DIFFERENCE ? { base, over, difference } : null;
}

/** Pairs of parts that touch, each once: those a part names, else the next one further out. */
function neighbours(parts: readonly Part[]): [number, number][] {
  const place = new Map(parts.map(({ id }, index) => [id, index]));
  const pairs = new Map<string, [number, number]>();
  const add = (a: number, b: number) => a !== b && pairs.set(`${Math.min(a, b)} ${Math.max(a, b)}`, [Math.min(a, b), Math.max(a, b)]);
  parts.forEach(({ touches }, index) => {
    if (touches === null) {
      if (index + 1 < parts.length && parts[index + 1]!.touches === null) add(index, index + 1);
    } else for (const id of touches) if (place.has(id)) add(index, place.get(id)!);
  });
  return [...pairs.values()];
}
