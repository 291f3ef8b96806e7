import type { Scheme } from '../model/definitions';

/** The numbers of so many models that are all there: 1 to n. */
export const inARow = (models: number): number[] => Array.from({ length: models }, (_, place) => place + 1);

type Roster = Pick<Scheme, 'groups' | 'variants'>;

/** The groups and variants of a scheme for the models that are there: who is not is left out, who is new is dealt out. */
export function fitRoster({ groups, variants }: Roster, models: readonly number[]): Roster {
  const known = new Set(models);
  const there = (list: readonly number[]) => list.filter((model) => known.has(model));
  return {
    groups: groups.map((group) => ({ ...group, models: there(group.models) })),
    variants: variants.map((variant) => ({
      ...variant,
      options: dealRest(
        variant.options.map((each) => ({ ...each, models: there(each.models) })),
        models,
      ),
    })),
  };
}

/** Deals models that have no option yet to those that are furthest behind their share. */
function dealRest<T extends { models: number[] }>(options: T[], models: readonly number[]): T[] {
  const shares = options.map((option) => Math.max(1, option.models.length));
  const taken = new Set(options.flatMap((option) => option.models));
  const dealt = options.map((option) => [...option.models]);
  for (const model of models) {
    if (taken.has(model)) continue;
    let behind = 0;
    for (let index = 1; index < dealt.length; index++)
      if (dealt[index]!.length / shares[index]! < dealt[behind]!.length / shares[behind]!) behind = index;
    dealt[behind]!.push(model);
  }
  return options.map((option, index) => ({ ...option, models: dealt[index]!.sort((a, b) => a - b) }));
}

/** Groups and variants for other numbers: the first of `from` becomes the first of `to`, and so on; who has no number there is left out. */
export function renumbered({ groups, variants }: Roster, from: readonly number[], to: readonly number[]): Roster {
  const numbers = new Map(from.map((model, place) => [model, to[place]]));
  const named = (list: readonly number[]) => list.flatMap((model) => numbers.get(model) ?? []);
  return {
    groups: groups.map((group) => ({ ...group, models: named(group.models) })),
    variants: variants.map((variant) => ({
      ...variant,
      options: variant.options.map((option) => ({ ...option, models: named(option.models) })),
    })),
  };
}

/**
 * Deals models out by ratio, in their order: 2 to 1 gives a, a, b, a, a, b.
 *
 * @example dealByRatio([2, 1], [1, 2, 3, 4, 5, 6]) // [[1, 2, 4, 5], [3, 6]]
 */
export function dealByRatio(parts: readonly number[], models: readonly number[]): number[][] {
  const dealt = parts.map((): number[] => []);
  const round = parts.flatMap((count, option) => Array.from({ length: count }, () => option));
  models.forEach((model, place) => dealt[round[place % round.length]!]!.push(model));
  return dealt;
}
