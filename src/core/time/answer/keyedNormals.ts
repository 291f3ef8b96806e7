import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** So many different keys are kept; a busy bench has a few hundred. */
const MOST_KEPT = 4000;
const kept = new Map<string, Float64Array>();

/**
 * Standard normal numbers that depend on the key, the seed and their place alone, by the method of Box and Muller (1958):
 * whoever asks for the draws of a step gets the same, whatever else is drawn. The array is shared: it must not be changed.
 */
export function keyedNormals(key: string, draws: number, seed: number): Float64Array {
  const name = `${seed} ${draws} ${key}`;
  const known = kept.get(name);
  if (known) return known;
  const generator = xoroshiro128plus(hashOf(key) ^ seed);
  const normals = Float64Array.from(
    { length: draws },
    () => Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) * Math.cos(2 * Math.PI * uniformFloat64(generator)),
  );
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(name, normals);
  return normals;
}

/** FNV-1a over UTF-16 units (Fowler, Noll and Vo), 32 bits. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
  return hash;
}
