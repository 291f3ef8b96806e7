import { allSteps } from './allSteps';
import { flattened } from '../../colour/flatten';
import { Mixer } from '../../colour/mixing';
import type { Mix, Paint, Scheme } from './definitions';

/** What a brush can be dipped into: a paint of the shelf, or a mix as one. */
export interface Pot extends Paint {
  /** For a mix: ids of the mixes it is made of, with a little more. */
  liftedFrom?: readonly string[];
}

/** FNV-1a over the characters, twice with different seeds: 64 bits, as letters and digits. */
function hashOf(text: string): string {
  const half = (seed: number) => {
    let hash = seed;
    for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
    return (hash >>> 0).toString(36);
  };
  return half(0x811c9dc5) + half(0x9747b28c);
}

const kinOf = (mix: Mix, mixes: ReadonlyMap<string, Mix>): Mix[] =>
  mix.of.flatMap((share) => ('mix' in share ? (mixes.get(share.mix) ?? []) : []));

/**
 * The ids of mixes that are made of each other in a circle, in its order; null where there is none.
 *
 * @example circleOfMixes([{ id: 'a', name: 'A', of: [{ mix: 'b', parts: 1 }], thin: null }, { id: 'b', name: 'B', of: [{ mix: 'a', parts: 1 }], thin: null }]) // ['a', 'b', 'a']
 */
export function circleOfMixes(mixes: readonly Mix[]): string[] | null {
  const byId = new Map(mixes.map((mix) => [mix.id, mix]));
  const safe = new Set<string>();
  const search = (mix: Mix, path: string[]): string[] | null => {
    if (safe.has(mix.id)) return null;
    if (path.includes(mix.id)) return [...path.slice(path.indexOf(mix.id)), mix.id];
    for (const next of kinOf(mix, byId)) {
      const circle = search(next, [...path, mix.id]);
      if (circle) return circle;
    }
    safe.add(mix.id);
    return null;
  };
  for (const mix of mixes) {
    const circle = search(mix, []);
    if (circle) return circle;
  }
  return null;
}

/**
 * Ids of the pots that mixes are, by the ids of the mixes: a pot's id is that of its recipe, so that units with the same mix share
 * it. A mix that is made of itself is left out.
 */
export function potIdsOf({ mixes }: Pick<Scheme, 'mixes'>): Map<string, string> {
  const ids = new Map<string, string>();
  let open = mixes;
  // Round by round those whose own mixes are known.
  for (;;) {
    const ready = open.filter((mix) => mix.of.every((share) => !('mix' in share) || ids.has(share.mix)));
    if (ready.length === 0) return ids;
    for (const { id, of, thin } of ready) {
      const recipe = of.map((share) => `${share.parts} ${'mix' in share ? ids.get(share.mix)! : share.paint}`).sort();
      ids.set(id, `mix-${hashOf(`${recipe.join(' + ')}; ${thin ? `${thin.parts} ${thin.with}` : ''}`)}`);
    }
    open = open.filter((mix) => !ready.includes(mix));
  }
}

/**
 * The mixes of a scheme as pots, by the ids of the mixes. Colour: predicted from the paints it comes down to; kind: that of the largest
 * share; drying: the longest that a label says.
 */
export function potsOf(scheme: Pick<Scheme, 'mixes'>, paints: ReadonlyMap<string, Paint>, mixer: Mixer = new Mixer()): Map<string, Pot> {
  const ids = potIdsOf(scheme);
  const pots = new Map<string, Pot>();
  const byId = new Map(scheme.mixes.map((mix) => [mix.id, mix]));
  for (const id of ids.keys()) {
    const mix = byId.get(id)!;
    const shares = mix.of.flatMap((share) => {
      const pot = 'mix' in share ? pots.get(share.mix) : paints.get(share.paint);
      return pot ? [{ pot, parts: share.parts }] : [];
    });
    const pigments = [...flattened(mix, byId)].flatMap(([paint, parts]) => {
      const pigment = paints.get(paint);
      return pigment ? [{ pigment, parts }] : [];
    });
    if (shares.length === 0 || pigments.length === 0) continue;
    const drying = shares.flatMap(({ pot }) => pot.dryMinutes ?? []);
    pots.set(id, {
      id: ids.get(id)!,
      name: mix.name,
      hex: mixer.hexOf(pigments),
      kind: shares.reduce((most, share) => (share.parts > most.parts ? share : most)).pot.kind,
      dryMinutes: drying.length === 0 ? null : Math.max(...drying),
      liftedFrom: mix.of.flatMap((share) => ('mix' in share ? ids.get(share.mix)! : [])),
    });
  }
  return pots;
}

/** The paints of the shelf with the mixes of these schemes among them, by the ids of the pots. */
export function withPots(
  paints: ReadonlyMap<string, Paint>,
  schemes: readonly Pick<Scheme, 'mixes'>[],
  mixer: Mixer = new Mixer(),
): ReadonlyMap<string, Pot> {
  const all = new Map<string, Pot>(paints);
  for (const scheme of schemes) for (const pot of potsOf(scheme, paints, mixer).values()) all.set(pot.id, pot);
  return all;
}

/** Ids of the pots of a scheme that a paint is in: mixes made of it, or of such mixes. */
export function potsWith(scheme: Pick<Scheme, 'mixes'>, paintId: string): string[] {
  const ids = potIdsOf(scheme);
  const byId = new Map(scheme.mixes.map((mix) => [mix.id, mix]));
  const holds = (mix: Mix): boolean =>
    mix.of.some((share) => ('mix' in share ? byId.has(share.mix) && holds(byId.get(share.mix)!) : share.paint === paintId));
  // Mixes that are made of themselves have no pot.
  return [...ids].filter(([id]) => holds(byId.get(id)!)).map(([, pot]) => pot);
}

/** Ids of the paints of the shelf that a scheme asks for, in mixes too. */
export function paintsOfScheme(scheme: Pick<Scheme, 'parts' | 'allOver' | 'mixes'>): Set<string> {
  const steps = allSteps(scheme);
  const inSteps = steps.flatMap((step) => [step.paint, ...step.paintFor.map((each) => ('paint' in each ? each.paint : null))]);
  const inMixes = scheme.mixes.flatMap((mix) => mix.of.map((share) => ('paint' in share ? share.paint : null)));
  return new Set([...inSteps, ...inMixes].filter((id) => id !== null));
}
