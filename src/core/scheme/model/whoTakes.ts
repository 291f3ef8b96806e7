import { groupBy } from '../../kernel/groupBy';
import {
  includesStandard,
  modelsOf,
  STANDARDS,
  type Group,
  type Roll,
  type Scheme,
  type Standard,
  type Step,
  type Unit,
} from './definitions';
import type { HouseRules } from './houseRules';

/** Models of a unit by their numbers, 1-based, ascending: the first that are not gone. */
export function allModels(unit: Roll): number[] {
  const count = modelsOf(unit);
  const gone = new Set(unit.gone.map(({ model }) => model));
  const models: number[] = [];
  for (let model = 1; models.length < count; model++) if (!gone.has(model)) models.push(model);
  return models;
}

/** Models by the ids of groups and options. */
export function modelsNamed({ groups, variants }: Pick<Scheme, 'groups' | 'variants'>): Map<string, ReadonlySet<number>> {
  const named = [...groups, ...variants.flatMap((variant) => variant.options)];
  return new Map(named.map(({ id, models }) => [id, new Set(models)]));
}

/** The models that a step is for, whatever standard they are painted to. */
export function modelsForStep(unit: Roll & Pick<Unit, 'scheme'>, step: Pick<Step, 'for'>): number[] {
  const all = allModels(unit);
  if (step.for === null) return all;
  const named = modelsNamed(unit.scheme);
  const isIn = (ids: readonly string[], model: number) => ids.some((id) => named.get(id)?.has(model));
  const { for: whom } = step;
  return 'only' in whom ? all.filter((model) => isIn(whom.only, model)) : all.filter((model) => !isIn(whom.without, model));
}

const groupsOf = (scheme: Pick<Scheme, 'groups'>, model: number): Group[] => scheme.groups.filter((group) => group.models.includes(model));

/** What a model is painted to: the highest that one of its groups says, else the standard of the unit. */
export function standardOf(scheme: Pick<Scheme, 'groups'>, model: number, unitStandard: Standard): Standard {
  const own = groupsOf(scheme, model).flatMap(({ standard }) => standard ?? []);
  return own.length === 0 ? unitStandard : STANDARDS[Math.max(...own.map((standard) => STANDARDS.indexOf(standard)))]!;
}

/** Of the models that a step is for, those whose standard includes it. */
export function modelsTaking(unit: Roll & Pick<Unit, 'scheme'>, step: Step, unitStandard: Standard): number[] {
  const models = modelsForStep(unit, step);
  if (unit.scheme.groups.every((group) => group.standard === null)) return includesStandard(unitStandard, step.standard) ? models : [];
  return models.filter((model) => includesStandard(standardOf(unit.scheme, model, unitStandard), step.standard));
}

/** Models of a unit that each count as `factor` ordinary ones; those that none lists count once. */
export interface ModelFactor {
  models: number[];
  factor: number;
}

/** How much longer the models of each group take; where a model is in several, the largest counts. */
export function modelFactors({ groups }: Pick<Scheme, 'groups'>, house: Pick<HouseRules, 'leaderFactor'>): ModelFactor[] {
  const byModel = new Map<number, number>();
  for (const { kind, factor, models } of groups) {
    const times = factor ?? (kind === 'leader' ? house.leaderFactor : 1);
    for (const model of models) byModel.set(model, Math.max(times, byModel.get(model) ?? 0));
  }
  const other = [...byModel].filter(([, factor]) => factor !== 1).sort(([a], [b]) => a - b);
  return [...groupBy(other, ([, factor]) => factor)].map(([factor, its]) => ({ models: its.map(([model]) => model), factor }));
}

/** How many ordinary models a model counts as. */
export const factorOf = (factors: readonly ModelFactor[], model: number): number =>
  factors.find(({ models }) => models.includes(model))?.factor ?? 1;

export const leadersOf = ({ groups }: Pick<Scheme, 'groups'>): number[] =>
  [...new Set(groups.filter((group) => group.kind === 'leader').flatMap((group) => group.models))].sort((a, b) => a - b);
