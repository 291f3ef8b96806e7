import type { Part, PaintFor, Scheme, Step } from '../model/definitions';
import { labelOf } from '../model/techniques';

/** One thing that is otherwise in a scheme than it was. */
export interface SchemeDifference {
  /** For people: Coat, layer: Foam becomes Tide. */
  what: string;
  /** The step that it is about, as it was; null where what stands on the models is not touched by it. */
  repaint: Step | null;
  /** The part of that step. */
  part: Part | null;
}

interface PlacedStep {
  step: Step;
  part: Part | null;
  place: number;
}

/** What names are looked up by: ids of paints. */
export type NameOfPaint = (paintId: string) => string;

/**
 * What changed from one state of a scheme to another, in the order of the scheme. A step that is done in another technique, with
 * another paint or in more coats is one that painted models would have to be brought along under.
 */
export function schemeDifferences(before: Scheme, after: Scheme, nameOfPaint: NameOfPaint): SchemeDifference[] {
  const was = placed(before);
  const is = placed(after);
  const untouched = (what: string): SchemeDifference => ({ what, repaint: null, part: null });
  const partNames = new Map(before.parts.map((part) => [part.id, part]));
  const goneParts = before.parts.filter((part) => !after.parts.some(({ id }) => id === part.id));
  const steps = [...is.values()].flatMap(({ step, part }): SchemeDifference[] => {
    const old = was.get(step.id);
    if (!old) return [untouched(`${nameOf(step, part)}: new`)];
    return stepDifferences(old, { step, part }, (of: Scheme) => potNamer(of, nameOfPaint), before, after);
  });
  const goneSteps = [...was.values()].filter(({ step }) => !is.has(step.id));
  return [
    ...after.parts.flatMap((part) => partDifferences(partNames.get(part.id), part).map(untouched)),
    ...goneParts.map((part) => untouched(`${part.name}: removed`)),
    ...steps,
    ...goneSteps.map(({ step, part }) => untouched(`${nameOf(step, part)}: removed`)),
    ...orderDifferences(before, after).map(untouched),
    ...wholeDifferences(before, after).map(untouched),
  ];
}

const placed = ({ parts, allOver }: Scheme): Map<string, PlacedStep> =>
  new Map(
    [
      ...parts.flatMap((part) => part.steps.map((step, place) => ({ step, part, place }))),
      ...allOver.map((step, place) => ({ step, part: null, place })),
    ].map((each) => [each.step.id, each]),
  );

const nameOf = (step: Step, part: Part | null): string => `${part?.name ?? 'Over everything'}, ${labelOf(step).toLowerCase()}`;

const potNamer =
  ({ mixes }: Scheme, nameOfPaint: NameOfPaint) =>
  ({ paint, mix }: { paint?: string | null; mix?: string | null }): string => {
    if (mix !== null && mix !== undefined) return mixes.find(({ id }) => id === mix)?.name ?? mix;
    return paint === null || paint === undefined ? 'no paint' : nameOfPaint(paint);
  };

function stepDifferences(
  { step: old, part: oldPart }: PlacedStep,
  { step, part }: Pick<PlacedStep, 'step' | 'part'>,
  potsOf: (of: Scheme) => (pot: { paint?: string | null; mix?: string | null }) => string,
  before: Scheme,
  after: Scheme,
): SchemeDifference[] {
  const found: SchemeDifference[] = [];
  const say = (what: string, isRepainted: boolean) =>
    found.push({ what: `${nameOf(old, oldPart)}: ${what}`, repaint: isRepainted ? step : null, part: isRepainted ? part : null });
  const [wasPot, isPot] = [potsOf(before), potsOf(after)];
  if (old.technique !== step.technique || old.own?.id !== step.own?.id) say(`${labelOf(step).toLowerCase()} instead`, true);
  else if (JSON.stringify(old.own) !== JSON.stringify(step.own)) say(`${labelOf(step).toLowerCase()} is done otherwise`, false);
  if (old.paint !== step.paint || old.mix !== step.mix) say(`${wasPot(old)} becomes ${isPot(step)}`, true);
  else if (step.mix !== null && recipe(before, step.mix) !== recipe(after, step.mix)) say(`${isPot(step)} is mixed otherwise`, true);
  if (others(old.paintFor) !== others(step.paintFor)) say('other paints for some', true);
  if (step.coats !== old.coats)
    say(`${old.coats} ${old.coats === 1 ? 'coat becomes' : 'coats become'} ${step.coats}`, step.coats > old.coats);
  if (old.coverage !== step.coverage) say(`covers ${percent(old.coverage)}, now ${percent(step.coverage)}`, false);
  if (JSON.stringify(old.for) !== JSON.stringify(step.for)) say('for other models', false);
  if (old.standard !== step.standard) say(`included from ${step.standard}, was from ${old.standard}`, false);
  if (old.optional !== step.optional) say(step.optional ? 'may be left out' : 'must not be left out', false);
  if (old.dryMinutes !== step.dryMinutes) say('dries for another time', false);
  if (old.faces !== step.faces) say(`painted ${step.faces}`, false);
  if (old.moment !== step.moment) say(`stands at ${step.moment ?? 'its usual moment'}`, false);
  if (JSON.stringify(old.over) !== JSON.stringify(step.over)) say('laid on other parts', false);
  if (old.ifNeeded !== step.ifNeeded) say(step.ifNeeded ? 'only where it is needed' : 'on every model', false);
  if ((old.brush ?? '') !== (step.brush ?? '')) say(step.brush ? `with ${step.brush}` : 'with the usual brush', false);
  if ((old.pieces ?? 1) !== (step.pieces ?? 1)) say(`${step.pieces ?? 1} on each model, were ${old.pieces ?? 1}`, false);
  if (old.care !== step.care) say(`${step.care ?? 'usual'} care`, false);
  if (old.strength !== step.strength) say(`strength ${step.strength === '' ? 'not said' : step.strength}`, false);
  if (old.note !== step.note) say('another note', false);
  if ((oldPart?.id ?? null) !== (part?.id ?? null)) say(`moved to ${part?.name ?? 'everything'}`, true);
  return found;
}

const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;
const others = (list: readonly PaintFor[]): string => JSON.stringify(list);
const recipe = ({ mixes }: Scheme, id: string): string => JSON.stringify(mixes.find((mix) => mix.id === id));

function partDifferences(old: Part | undefined, part: Part): string[] {
  if (!old) return [`${part.name}: a new part`];
  return [
    ...(old.name === part.name ? [] : [`${old.name} is called ${part.name}`]),
    ...(old.surface === part.surface ? [] : [`${part.name}: ${percent(part.surface)} of the model, was ${percent(old.surface)}`]),
    ...(old.reach === part.reach ? [] : [`${part.name}: ${part.reach} to reach`]),
    ...(old.keepClear === part.keepClear ? [] : [`${part.name}: the ground ${part.keepClear ? 'must' : 'need not'} stay clean`]),
    ...(old.isBase === part.isBase ? [] : [`${part.name}: ${part.isBase ? '' : 'not '}the ground it stands on`]),
    ...(JSON.stringify(old.touches) === JSON.stringify(part.touches) ? [] : [`${part.name}: touches other parts`]),
    ...(old.on === part.on ? [] : [`${part.name}: lies on another part`]),
  ];
}

/** Parts and steps that stand in another order, those that came and went left out. */
function orderDifferences(before: Scheme, after: Scheme): string[] {
  const order = (ids: readonly string[], others: readonly string[]) => ids.filter((id) => others.includes(id)).join(' ');
  const isMoved = (was: readonly { id: string }[], is: readonly { id: string }[]) => {
    const [wasIds, isIds] = [was.map(({ id }) => id), is.map(({ id }) => id)];
    return order(wasIds, isIds) !== order(isIds, wasIds);
  };
  return [
    ...(isMoved(before.parts, after.parts) ? ['the parts stand in another order'] : []),
    ...after.parts
      .filter((part) => {
        const old = before.parts.find(({ id }) => id === part.id);
        return old !== undefined && isMoved(old.steps, part.steps);
      })
      .map((part) => `${part.name}: the steps stand in another order`),
    ...(isMoved(before.allOver, after.allOver) ? ['Over everything: the steps stand in another order'] : []),
  ];
}

const WHOLE = {
  groups: 'other groups',
  variants: 'other variants',
  mixes: 'other mixes',
  schools: 'other schools',
  strengths: 'other habits hold always, or not at all',
  rules: 'other rules of your own',
  off: 'other rules switched off',
  stops: 'other stops',
  level: 'another level by minutes',
} as const satisfies Partial<Record<keyof Scheme, string>>;

const wholeDifferences = (before: Scheme, after: Scheme): string[] =>
  (Object.keys(WHOLE) as (keyof typeof WHOLE)[])
    .filter((field) => JSON.stringify(before[field]) !== JSON.stringify(after[field]))
    .map((field) => WHOLE[field]);
