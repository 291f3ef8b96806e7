import type { Mix, Scheme, Step } from '../model/definitions';
import { allSteps, mapSteps } from '../model/allSteps';
import { potIdsOf } from '../model/pots';

type Mixes = Pick<Scheme, 'mixes'>;
/** A paint or a mix, as a step takes one. */
type Dipped = Pick<Step, 'paint' | 'mix'>;

/**
 * A scheme with one pot in place of another, wherever a step or a mix takes it; each is a paint of the shelf or the pot that a mix is. A
 * mix that the scheme does not have comes with all it is made of, from the first of `known` that has it. What the kept mix is made of
 * stays as it is, also where the other goes into it.
 */
export function withOnePot(scheme: Scheme, keep: string, replace: string, known: readonly Mixes[]): Scheme {
  const pots = potIdsOf(scheme);
  const isReplaced = (mix: string) => pots.get(mix) === replace;
  const takes = ({ paint, mix }: Dipped) => (mix === null ? paint === replace : isReplaced(mix));
  const isAsked =
    allSteps(scheme).some((step) => [step, ...step.paintFor.map(dipped)].some(takes)) ||
    scheme.mixes.some(({ of }) => of.map(dipped).some(takes));
  if (keep === replace || !isAsked) return scheme;
  const recipe = recipeOf(keep, [scheme, ...known]);
  const has = [...pots].find(([, pot]) => pot === keep)?.[0];
  const added = recipe === null || has !== undefined ? [] : withIdsOfTheirOwn(recipe, scheme.mixes);
  const keptMix = recipe === null ? null : (has ?? added.at(-1)!.id);
  const kept = keptMix === null ? { paint: keep } : { mix: keptMix };
  const step = (each: Step): Step => ({
    ...each,
    ...(takes(each) && dipped(kept)),
    paintFor: each.paintFor.map((one) => (takes(dipped(one)) ? { option: one.option, ...kept } : one)),
  });
  const untouched = new Set(has === undefined ? [] : madeOf(has, scheme.mixes));
  const mix = (each: Mix): Mix =>
    untouched.has(each.id)
      ? each
      : { ...each, of: each.of.map((share) => (takes(dipped(share)) ? { parts: share.parts, ...kept } : share)) };
  const mixes = scheme.mixes.map(mix);
  const stillAsked = new Set(mixes.flatMap(({ of }) => of.flatMap((share) => ('mix' in share ? share.mix : []))));
  return {
    ...mapSteps(scheme, step),
    mixes: [...added, ...mixes.filter(({ id }) => !isReplaced(id) || stillAsked.has(id))],
  };
}

const dipped = (one: { paint: string } | { mix: string }): Dipped =>
  'paint' in one ? { paint: one.paint, mix: null } : { paint: null, mix: one.mix };

/** The mix of a pot with those it is made of, each after its own; null for a paint. */
function recipeOf(pot: string, known: readonly Mixes[]): Mix[] | null {
  for (const { mixes } of known) {
    const found = [...potIdsOf({ mixes })].find(([, id]) => id === pot);
    if (!found) continue;
    const asked = madeOf(found[0], mixes);
    // The mixes of a scheme stand in any order.
    return [...potIdsOf({ mixes }).keys()].filter((id) => asked.has(id)).map((id) => mixes.find((mix) => mix.id === id)!);
  }
  return null;
}

/** The ids of a mix and of all mixes that go into it. */
function madeOf(id: string, mixes: readonly Mix[]): Set<string> {
  const asked = new Set<string>();
  const ask = (each: string) => {
    if (asked.has(each)) return;
    asked.add(each);
    for (const share of mixes.find((mix) => mix.id === each)?.of ?? []) if ('mix' in share) ask(share.mix);
  };
  ask(id);
  return asked;
}

/** The same mixes, where a scheme has another of an id already by the id of their pots. */
function withIdsOfTheirOwn(recipe: readonly Mix[], there: readonly Mix[]): Mix[] {
  const pots = potIdsOf({ mixes: [...recipe] });
  const named = (id: string) => (there.some((mix) => mix.id === id) ? pots.get(id)! : id);
  return recipe.map((mix) => ({
    ...mix,
    id: named(mix.id),
    of: mix.of.map((share) => ('mix' in share ? { ...share, mix: named(share.mix) } : share)),
  }));
}
