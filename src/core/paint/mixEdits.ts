import type { NewId } from '../kernel/ids';
import { groupBy } from '../kernel/groupBy';
import { addStep, newStep } from '../scheme/authoring/edits';
import type { Mix, MixShare, Paint, PaintFor, Roll, Scheme, Step, Variant } from '../scheme/model/definitions';
import { allModels } from '../scheme/model/whoTakes';
import type { RampStep } from './ramp';

/** What is found by colour, put into a scheme; each returns a new scheme. */

/** A mix of whole drops; of one paint there is nothing to mix. */
export function addMix(
  newId: NewId,
  scheme: Scheme,
  name: string,
  parts: readonly (readonly [paint: string, drops: number])[],
): { scheme: Scheme; mix: Mix } {
  const mix: Mix = { id: newId(), name, of: parts.map(([paint, drops]) => ({ paint, parts: drops })), thin: null };
  return { scheme: { ...scheme, mixes: [...scheme.mixes, mix] }, mix };
}

export interface RampEntry {
  dark: Pick<Paint, 'id' | 'name'>;
  light: Pick<Paint, 'id' | 'name'>;
  steps: readonly RampStep[];
  /** Each mix goes on from what is left of the one before, where whole drops allow it; else all are mixed fresh. */
  isChain: boolean;
  /** The part that gets a step for each mix, highlights above, edges last; null where only the mixes are wanted. */
  partId: string | null;
}

/** Puts a ramp into a scheme in one go: its mixes, and a step for each where a part is named. */
export function addRamp(newId: NewId, scheme: Scheme, { dark, light, steps, isChain, partId }: RampEntry): Scheme {
  let next = scheme;
  let before: { id: string; drops: number } | null = null;
  steps.forEach((step, index) => {
    const pot = step.dark === 0 ? { paint: light.id, mix: null } : { paint: null, mix: newId() };
    if (pot.mix !== null) {
      const goesOn = isChain && before !== null && step.more !== null;
      const of: MixShare[] = goesOn
        ? [
            { mix: before!.id, parts: before!.drops },
            { paint: light.id, parts: step.more! },
          ]
        : [
            { paint: dark.id, parts: step.dark },
            { paint: light.id, parts: step.light },
          ];
      next = { ...next, mixes: [...next.mixes, { id: pot.mix, name: `${dark.name} to ${light.name} ${index + 1}`, of, thin: null }] };
      before = { id: pot.mix, drops: of.reduce((sum, { parts }) => sum + parts, 0) };
    }
    const part = scheme.parts.find(({ id }) => id === partId);
    if (!part) return;
    const isLast = index === steps.length - 1 && steps.length > 1;
    next = addStep(next, part.id, { ...newStep(newId, isLast ? 'edge' : 'layer', null, false, part), ...pot });
  });
  return next;
}

/** A squad that is to be told apart, by the id of its group. */
export interface MarkedSquad {
  groupId: string;
  paint: string;
}

/**
 * Gives each squad its paint on a step: a variant with one option for each squad says who takes which. Models in no squad, and those in
 * several, have an option of their own with the usual paint. What a variant of the same name said before is replaced.
 */
export function addMarks(newId: NewId, scheme: Scheme, unit: Roll, stepId: string, name: string, squads: readonly MarkedSquad[]): Scheme {
  const groups = new Map(scheme.groups.map((group) => [group.id, group]));
  const known = squads.filter(({ groupId }) => groups.has(groupId));
  const firstSquad = (model: number) => known.findIndex(({ groupId }) => groups.get(groupId)!.models.includes(model));
  const dealt = groupBy(allModels(unit), firstSquad);
  const options = known.map(({ groupId, paint }, index) => ({
    option: { id: newId(), name: groups.get(groupId)!.name, models: dealt.get(index) ?? [] },
    paint,
  }));
  const rest = dealt.get(-1) ?? [];
  const before = scheme.variants.find((variant) => variant.name === name);
  const variant: Variant = {
    id: before?.id ?? newId(),
    name,
    options: [...options.map(({ option }) => option), ...(rest.length > 0 ? [{ id: newId(), name: 'no squad', models: rest }] : [])],
  };
  const gone = new Set(before?.options.map(({ id }) => id));
  const change = (step: Step): Step => {
    const kept = step.paintFor.filter(({ option }) => !gone.has(option));
    if (step.id !== stepId) return kept.length === step.paintFor.length ? step : { ...step, paintFor: kept };
    const paintFor: PaintFor[] = options.map(({ option, paint }) => ({ option: option.id, paint }));
    return { ...step, paintFor: [...kept, ...paintFor] };
  };
  return {
    ...scheme,
    variants: [...scheme.variants.filter((each) => each !== before), variant],
    parts: scheme.parts.map((part) => ({ ...part, steps: part.steps.map(change) })),
    allOver: scheme.allOver.map(change),
  };
}
