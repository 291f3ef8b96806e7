import type { NewId } from '../../kernel/ids';
import { dealByRatio } from './dealOut';
import type { Group, GroupKind, Scheme, Variant } from '../model/definitions';
import { withoutLostEnds } from './edits';

/** Changes to who is who in a unit, each returning a new scheme. */

export const addGroup = (newId: NewId, scheme: Scheme, name: string, kind: GroupKind): Scheme => ({
  ...scheme,
  groups: [...scheme.groups, { id: newId(), name, kind, models: kind === 'leader' ? [1] : [], standard: null, factor: null }],
});

export const changeGroup = (scheme: Scheme, id: string, change: Partial<Group>): Scheme => ({
  ...scheme,
  groups: scheme.groups.map((group) => (group.id === id ? { ...group, ...change } : group)),
});

export const removeGroup = (scheme: Scheme, id: string): Scheme =>
  withoutLostEnds({ ...scheme, groups: scheme.groups.filter((group) => group.id !== id) });

/** Into the group, or out of it. */
export const toggleModel = (scheme: Scheme, id: string, model: number): Scheme => ({
  ...scheme,
  groups: scheme.groups.map((group) =>
    group.id === id
      ? {
          ...group,
          models: group.models.includes(model)
            ? group.models.filter((each) => each !== model)
            : [...group.models, model].sort((a, b) => a - b),
        }
      : group,
  ),
});

/** A new variant with these options, dealt out in turn. */
export const addVariant = (newId: NewId, scheme: Scheme, name: string, options: readonly string[], models: readonly number[]): Scheme => {
  const dealt = dealByRatio(
    options.map(() => 1),
    models,
  );
  const variant: Variant = {
    id: newId(),
    name,
    options: options.map((option, index) => ({ id: newId(), name: option, models: dealt[index]! })),
  };
  return { ...scheme, variants: [...scheme.variants, variant] };
};

export const removeVariant = (scheme: Scheme, id: string): Scheme =>
  withoutLostEnds({ ...scheme, variants: scheme.variants.filter((variant) => variant.id !== id) });

const deal = (scheme: Scheme, id: string, dealt: (variant: Variant) => number[][]): Scheme => ({
  ...scheme,
  variants: scheme.variants.map((variant) => {
    if (variant.id !== id) return variant;
    const models = dealt(variant);
    return { ...variant, options: variant.options.map((option, index) => ({ ...option, models: models[index]! })) };
  }),
});

/** Dealt out in turn by shares: 2 to 1 gives two of the first, then one of the second. */
export const dealInTurn = (scheme: Scheme, id: string, shares: readonly number[], models: readonly number[]): Scheme =>
  deal(scheme, id, () => dealByRatio(shares, models));

/** Every squad gets one option, in turn; who is in no squad gets the first. */
export const dealBySquad = (scheme: Scheme, id: string, models: readonly number[]): Scheme =>
  deal(scheme, id, ({ options }) => {
    const squads = scheme.groups.filter((group) => group.kind === 'squad');
    const dealt = options.map((): number[] => []);
    for (const model of models) {
      const squad = squads.findIndex((group) => group.models.includes(model));
      dealt[squad < 0 ? 0 : squad % options.length]!.push(model);
    }
    return dealt;
  });

/** The model takes the next option. */
export const nextOption = (scheme: Scheme, id: string, model: number): Scheme =>
  deal(scheme, id, ({ options }) => {
    const now = options.findIndex((option) => option.models.includes(model));
    const next = (now + 1) % options.length;
    return options.map((option, index) => {
      const others = option.models.filter((each) => each !== model);
      return index === next ? [...others, model].sort((a, b) => a - b) : others;
    });
  });
