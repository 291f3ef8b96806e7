import type { Mix, Paint, Scheme, Step } from './definitions';
import { potIdsOf } from './pots';

const MOST_TIMES = 20;
const isWhole = (number: number) => Math.abs(number - Math.round(number)) < 1e-6;

/**
 * Parts as the smallest whole multiple of themselves that is in whole drops; as they are where there is none.
 *
 * @example inDrops([1.5, 1]) // [3, 2]
 */
export function inDrops(parts: readonly number[]): number[] {
  for (let times = 1; times <= MOST_TIMES; times++)
    if (parts.every((each) => isWhole(each * times))) return parts.map((each) => Math.round(each * times));
  return [...parts];
}

const drops = (count: number, of: string): string => `${count} ${count === 1 ? 'drop' : 'drops'} ${of}`;

/** Parts as whole drops, what thins them last: '2 drops Sea blue, 1 drop Foam, 1 drop water'. */
function mixText({ of, thin }: Mix, nameOf: (share: Mix['of'][number]) => string): string {
  const counts = inDrops([...of.map(({ parts }) => parts), ...(thin ? [thin.parts] : [])]);
  const names = [...of.map(nameOf), ...(thin ? [thin.with] : [])];
  return names.map((name, index) => drops(counts[index]!, name)).join(', ');
}

/** How the mixes of a scheme are made, in words, by the ids of their pots. */
export function mixTexts(scheme: Pick<Scheme, 'mixes'>, paints: ReadonlyMap<string, Pick<Paint, 'name'>>): Map<string, string> {
  const names = new Map(scheme.mixes.map((mix) => [mix.id, mix.name]));
  const nameOf = (share: Mix['of'][number]) =>
    ('mix' in share ? names.get(share.mix) : paints.get(share.paint)?.name) ?? 'a paint that is gone';
  const mixes = new Map(scheme.mixes.map((mix) => [mix.id, mix]));
  return new Map([...potIdsOf(scheme)].map(([mix, pot]) => [pot, mixText(mixes.get(mix)!, nameOf)]));
}

/**
 * What is to be known of a step with the brush in the hand: how its mix is made, how strong it is, how many transfers, how much care, and
 * what the painter noted.
 */
export const recipeOf = (
  { strength, pieces, care, ifNeeded, note }: Pick<Step, 'strength' | 'pieces' | 'care' | 'ifNeeded' | 'note'>,
  potId: string | null,
  mixes: ReadonlyMap<string, string>,
): string[] =>
  [
    mixes.get(potId ?? '') ?? '',
    strength.trim(),
    pieces === undefined ? '' : `${pieces} on each model`,
    care ?? '',
    ifNeeded ? 'only where needed' : '',
    note.trim(),
  ].filter((each) => each !== '');
