import type { Scheme } from './definitions';

/** The groups and variants of a scheme for another number of models: who is not there any more is left out, who is new is dealt out. */
export function fitRoster({ groups, variants }: Pick<Scheme, 'groups' | 'variants'>, models: number): Pick<Scheme, 'groups' | 'variants'> {
  const there = (list: readonly number[]) => list.filter((model) => model <= models);
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
function dealRest<T extends { models: number[] }>(options: T[], models: number): T[] {
  const shares = options.map((option) => Math.max(1, option.models.length));
  const taken = new Set(options.flatMap((option) => option.models));
  const dealt = options.map((option) => [...option.models]);
  for (let model = 1; model <= models; model++) {
    if (taken.has(model)) continue;
    let behind = 0;
    for (let index = 1; index < dealt.length; index++)
      if (dealt[index]!.length / shares[index]! < dealt[behind]!.length / shares[behind]!) behind = index;
    dealt[behind]!.push(model);
  }
  return options.map((option, index) => ({ ...option, models: dealt[index]!.sort((a, b) => a - b) }));
}

/** Deals models out by ratio, in the order 1 to n: 2 to 1 gives a, a, b, a, a, b. */
export function dealByRatio(parts: readonly number[], models: number): number[][] {
  const dealt = parts.map((): number[] => []);
  const round = parts.flatMap((count, option) => Array.from({ length: count }, () => option));
  for (let model = 1; model <= models; model++) dealt[round[(model - 1) % round.length]!]!.push(model);
  return dealt;
}
