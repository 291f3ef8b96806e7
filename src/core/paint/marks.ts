import { leastDifference, seenByAll } from '../colour/vision';
import { InputError } from '../kernel/InputError';
import type { Paint } from '../scheme/model/definitions';

/** Squads that each want a colour of their own. */
export interface MarksWish {
  groups: readonly string[];
  /** Ids of the paints to choose from. */
  from: readonly string[];
  /** sRGB of what the marks lie on or next to. */
  beside: readonly string[];
  /** CIEDE2000 that a mark has to be away from all of those, for any eye. */
  clear: number;
  /** Groups that have their paint already, by their names. */
  pins: Readonly<Record<string, string>>;
}

export interface Marks {
  /** The smallest difference between two of them, for any eye; Infinity of one alone. */
  smallest: number;
  /** Ids of the paints, in the order of the groups: pinned ones where they are pinned. */
  paints: string[];
  /** How many paints of `from` are clear of what they lie on. */
  candidates: number;
}

/** Why so many marks cannot be had, and how many can. */
export interface TooFewMarks {
  most: number;
  candidates: number;
  /** Paints of `from` that are too near to what is beside them, by how far they are: the farthest first. */
  inTheWay: { paint: string; beside: string; difference: number }[];
}

type MarkPaint = Pick<Paint, 'id' | 'hex'>;

/**
 * A paint for each of some groups so that the smallest difference between two of them, for the usual eye and the two without red or green
 * cones, is as great as it can be. Exact: the differences are tried as thresholds, by halving, and for each it is searched whether so many
 * paints lie that far apart (a clique of the graph of those pairs, by branch and bound with greedy colouring: E. Tomita and T. Seki, "An
 * efficient branch-and-bound algorithm for finding a maximum clique", 2003).
 * Throws an `InputError` for paints that are not known.
 */
export function marksOf(shelf: readonly MarkPaint[], wish: MarksWish): Marks | TooFewMarks {
  const byId = new Map(shelf.map((paint) => [paint.id, paint]));
  const known = (id: string, field: string): MarkPaint => {
    const paint = byId.get(id);
    if (!paint) throw new InputError(field, id, 'name a paint of the list');
    return paint;
  };
  const from = [...new Set(wish.from)].map((id, index) => known(id, `from[${index}]`));
  const pins = wish.groups.map((group) => (Object.hasOwn(wish.pins, group) ? known(wish.pins[group]!, `pins.${group}`).id : null));
  const nearest = from.map(({ id, hex }) => ({ paint: id, ...nearestOf(hex, wish.beside) }));
  const clear = new Set(nearest.filter(({ difference }) => difference >= wish.clear).map(({ paint }) => paint));
  const pinned = pins.filter((pin) => pin !== null);
  const free = from.filter(({ id }) => clear.has(id) && !pinned.includes(id));
  const open = wish.groups.length - pinned.length;
  if (free.length < open)
    return {
      most: free.length + pinned.length,
      candidates: clear.size,
      inTheWay: nearest.filter(({ paint }) => !clear.has(paint)).sort((a, b) => b.difference - a.difference),
    };
  const chosen = farthestApart(
    free,
    pinned.map((id) => byId.get(id)!),
    open,
  );
  const others = [...chosen.paints];
  return { smallest: chosen.smallest, paints: pins.map((pin) => pin ?? others.shift()!), candidates: clear.size };
}

export const isTooFew = (marks: Marks | TooFewMarks): marks is TooFewMarks => 'most' in marks;

function nearestOf(hex: string, beside: readonly string[]): { beside: string; difference: number } {
  const seen = seenByAll(hex);
  return beside.reduce(
    (nearest, each) => {
      const difference = leastDifference(seen, seenByAll(each));
      return difference < nearest.difference ? { beside: each, difference } : nearest;
    },
    { beside: '', difference: Infinity },
  );
}

function farthestApart(free: readonly MarkPaint[], pinned: readonly MarkPaint[], count: number): { smallest: number; paints: string[] } {
  const all = [...pinned, ...free].map(({ hex }) => seenByAll(hex));
  const apart = all.map((one) => all.map((other) => leastDifference(one, other)));
  const fixed = pinned.map((_, index) => index);
  const first = pinned.length;
  let ceiling = Infinity;
  for (const one of fixed) for (const other of fixed) if (one < other) ceiling = Math.min(ceiling, apart[one]![other]!);
  const indices = free.map((_, index) => first + index);
  if (count === 0) return { smallest: ceiling, paints: [] };
  // Between two pins nothing can be better than they are; each threshold is the difference of some pair.
  const thresholds = [...new Set(indices.flatMap((one) => all.map((_, other) => (other === one ? Infinity : apart[one]![other]!))))]
    .filter((value) => value < ceiling)
    .concat(ceiling)
    .sort((a, b) => a - b);
  const within = (threshold: number): number[] | null => {
    const allowed = indices.filter((one) => fixed.every((pin) => apart[one]![pin]! >= threshold));
    return cliqueOf(allowed, count, (one, other) => apart[one]![other]! >= threshold);
  };
  let best: number[] = indices.slice(0, count);
  let low = 0;
  let high = thresholds.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const found = within(thresholds[middle]!);
    if (found) {
      best = found;
      low = middle + 1;
    } else high = middle - 1;
  }
  const members = [...fixed, ...best];
  const smallest = Math.min(...members.flatMap((one, at) => members.slice(at + 1).map((other) => apart[one]![other]!)));
  return { smallest, paints: best.map((index) => free[index - first]!.id) };
}

/** So many of some vertices that are all joined, the first in their order; null where there are not. */
function cliqueOf(vertices: readonly number[], count: number, isJoined: (one: number, other: number) => boolean): number[] | null {
  if (count === 0) return [];
  if (vertices.length < count || coloursOf(vertices, isJoined) < count) return null;
  for (let at = 0; at + count <= vertices.length; at++) {
    const vertex = vertices[at]!;
    const rest = cliqueOf(
      vertices.slice(at + 1).filter((other) => isJoined(vertex, other)),
      count - 1,
      isJoined,
    );
    if (rest) return [vertex, ...rest];
  }
  return null;
}

/** How many classes greedy colouring needs so that no class holds two that are joined: no clique is larger. */
function coloursOf(vertices: readonly number[], isJoined: (one: number, other: number) => boolean): number {
  const classes: number[][] = [];
  for (const vertex of vertices) {
    const of = classes.find((each) => each.every((other) => !isJoined(vertex, other)));
    if (of) of.push(vertex);
    else classes.push([vertex]);
  }
  return classes.length;
}
