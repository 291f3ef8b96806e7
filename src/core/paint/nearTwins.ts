import { groupBy } from '../kernel/groupBy';
import type { Paint } from '../scheme/model/definitions';
import { differenceOf, labOf, MOST_LIGHTNESS_WEIGHT } from '../colour/difference';

/** Two paints of one role that few would tell apart at the distance of a table. */
export interface NearTwins {
  /** Ids of paints. */
  pair: [string, string];
  /** CIEDE2000. */
  difference: number;
}

/** Up to here two paints count as near twins, until the painter sets another limit. */
export const TWIN_DIFFERENCE = 5;
export const MOST_TWIN_DIFFERENCE = 15;

/** What these do is not in their colour: matt is no twin of gloss. */
const NOT_BY_COLOUR: readonly Paint['kind'][] = ['varnish', 'texture'];

/** All pairs of one kind (opaque with opaque, wash with wash) that differ by no more than the limit, nearest first. */
export function nearTwins(paints: readonly Pick<Paint, 'id' | 'hex' | 'kind'>[], limit: number): NearTwins[] {
  const byColour = paints.filter(({ kind }) => !NOT_BY_COLOUR.includes(kind)).map(({ id, hex, kind }) => ({ id, kind, lab: labOf(hex) }));
  const byKind = groupBy(byColour, ({ kind }) => kind);
  const twins: NearTwins[] = [];
  for (const ofKind of byKind.values()) {
    // Sorted by lightness, only neighbours need be compared.
    ofKind.sort((a, b) => a.lab.l - b.lab.l);
    ofKind.forEach((one, index) => {
      for (let at = index + 1; at < ofKind.length; at++) {
        const other = ofKind[at]!;
        if (other.lab.l - one.lab.l > limit * MOST_LIGHTNESS_WEIGHT) break;
        const difference = differenceOf(one.lab, other.lab);
        if (difference <= limit) twins.push({ pair: [one.id, other.id], difference });
      }
    });
  }
  return twins.sort((a, b) => a.difference - b.difference);
}
