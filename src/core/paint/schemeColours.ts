import { differenceOf, labOf } from '../colour/difference';
import { leastDifference, seenByAll } from '../colour/vision';
import { factsOf } from '../scheme/model/techniques';
import type { Moment } from '../scheme/model/moments';
import type { Paint, Part, Scheme, Step, Unit } from '../scheme/model/definitions';

type Dipped = Pick<Step, 'paint' | 'mix'>;
/** The paint or mix that is on the brush; null where nobody has said. */
export type PotOf = (dipped: Dipped) => Pick<Paint, 'name' | 'hex' | 'kind'> | null;

/** Colours that tell the models of a unit apart, by the options that have them. */
export interface UnitMarks {
  unitId: string;
  part: string;
  marks: { name: string; pot: Pick<Paint, 'name' | 'hex' | 'kind'> }[];
  /** Least difference between two of them, for the usual eye and two colour-blind ones. */
  apart: number;
  /** The same from what they lie on and next to; null where that has no colour. */
  clear: number | null;
}

/** Steps of a part that get lighter one by one. */
export interface UnitRamp {
  unitId: string;
  part: string;
  pots: Pick<Paint, 'name' | 'hex' | 'kind'>[];
  /** CIEDE2000 of each from the one before. */
  differences: number[];
}

/** How far marks are apart, and clear of what is beside them; null where there are fewer than two. */
export function marksStanding(marks: readonly string[], beside: readonly string[]): Pick<UnitMarks, 'apart' | 'clear'> | null {
  if (marks.length < 2) return null;
  const seen = marks.map(seenByAll);
  const around = beside.map(seenByAll);
  const apart = Math.min(...seen.flatMap((one, at) => seen.slice(at + 1).map((other) => leastDifference(one, other))));
  const clear = Math.min(...seen.flatMap((one) => around.map((other) => leastDifference(one, other))));
  return { apart, clear: Number.isFinite(clear) ? clear : null };
}

/** What a mark lies on or next to: the other colours of its part, and those of the parts that touch it or that it lies on. */
export function neighbourColours(step: Pick<Step, 'id'>, part: Part, scheme: Pick<Scheme, 'parts'>, potOf: PotOf): string[] {
  const colours = (of: Part) => of.steps.filter(({ id }) => id !== step.id).flatMap((each) => potOf(each)?.hex ?? []);
  const touching = scheme.parts.filter(({ id }) => part.touches?.includes(id) ?? false);
  const ground = scheme.parts.find(({ id }) => id === part.on);
  return [...new Set([...colours(part), ...touching.flatMap(colours), ...(ground ? colours(ground) : [])])];
}

/** All marks of a unit: steps in parts that are painted otherwise for the models of two options or more. */
export function marksIn({ id, scheme }: Pick<Unit, 'id' | 'scheme'>, potOf: PotOf): UnitMarks[] {
  const options = new Map(
    scheme.variants
      .filter(({ trialOf }) => trialOf === undefined)
      .flatMap((variant) => variant.options.map((option) => [option.id, option.name])),
  );
  return scheme.parts.flatMap((part) =>
    part.steps.flatMap((step): UnitMarks[] => {
      const marks = step.paintFor.flatMap((other) => {
        const pot = potOf({ paint: 'paint' in other ? other.paint : null, mix: 'mix' in other ? other.mix : null });
        const name = options.get(other.option);
        return pot && name !== undefined ? [{ name, pot }] : [];
      });
      const standing = marksStanding(
        marks.map(({ pot }) => pot.hex),
        neighbourColours(step, part, scheme, potOf),
      );
      return standing ? [{ unitId: id, part: part.name, marks, ...standing }] : [];
    }),
  );
}

const LEAST_STEPS = 3;
/** An eye or a button that is lighter is no highlight. */
const CLIMBS: readonly Moment[] = ['base', 'highlight'];

/** Of each part the longest row of opaque colours that get lighter step by step, where it has three at least. */
export function rampsIn({ id, scheme }: Pick<Unit, 'id' | 'scheme'>, potOf: PotOf): UnitRamp[] {
  return scheme.parts.flatMap((part): UnitRamp[] => {
    const pots = part.steps
      .filter(({ technique }) => CLIMBS.includes(factsOf(technique).moment))
      .flatMap((step) => potOf(step) ?? [])
      .filter(({ kind }) => kind === 'opaque');
    const labs = pots.map(({ hex }) => labOf(hex));
    let best: [from: number, to: number] = [0, 0];
    let from = 0;
    for (let at = 1; at <= pots.length; at++) {
      if (at < pots.length && labs[at]!.l > labs[at - 1]!.l) continue;
      if (at - from > best[1] - best[0]) best = [from, at];
      from = at;
    }
    const [begin, end] = best;
    if (end - begin < LEAST_STEPS) return [];
    const differences = labs.slice(begin + 1, end).map((lab, index) => differenceOf(labs[begin + index]!, lab));
    return [{ unitId: id, part: part.name, pots: pots.slice(begin, end).map(({ name, hex, kind }) => ({ name, hex, kind })), differences }];
  });
}
