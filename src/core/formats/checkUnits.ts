import type { Scheme, Unit } from '../scheme/definitions';
import { factsOf } from '../scheme/techniques';
import { InputError } from './InputError';

/** What a list of units must keep beside the schema of each. Throws an `InputError` naming the first that does not. */
export function checkUnits(units: readonly Omit<Unit, 'scheme'>[]): void {
  const names = new Set<string>();
  const ids = new Set<string>();
  units.forEach((unit, index) => {
    const field = `units[${index}]`;
    if (ids.has(unit.id)) throw new InputError(`${field}.id`, unit.id, 'give every unit an id of its own');
    ids.add(unit.id);
    const models = unit.counted ?? unit.promised;
    if (unit.leaders > models) throw new InputError(`${field}.leaders`, unit.leaders, `give at most ${models}, the models of the unit`);
    const name = unit.name.trim().toLowerCase();
    if (names.has(name))
      throw new InputError(`${field}.name`, unit.name, 'give every unit a name of its own, so that you can tell them apart at the bench');
    names.add(name);
  });
}

/** Ids of all parts and steps of a scheme. */
export const pieceIds = (scheme: Scheme): string[] => [
  ...scheme.parts.flatMap((part) => [part.id, ...part.steps.map((step) => step.id)]),
  ...scheme.allOver.map((step) => step.id),
];

/**
 * What a scheme must keep beside its schema: every part and step has an id of its own among those `taken`, every paint is known,
 * and only steps that take paint name one. Throws an `InputError`; `field` is where the scheme stands, with a dot behind it.
 */
export function checkScheme(scheme: Scheme, field: string, taken: Set<string>, isPaint: (id: string) => boolean): void {
  const own = (at: string, id: string) => {
    if (taken.has(id)) throw new InputError(`${field}${at}.id`, id, 'give every part and every step an id of its own');
    taken.add(id);
  };
  const checkSteps = (steps: Scheme['allOver'], at: string) =>
    steps.forEach((step, index) => {
      own(`${at}[${index}]`, step.id);
      if (step.paintId === null) return;
      const paint = `${field}${at}[${index}].paintId`;
      if (!isPaint(step.paintId)) throw new InputError(paint, step.paintId, 'name a paint that is there: put it on the shelf first');
      if (!factsOf(step.technique).usesPaint)
        throw new InputError(paint, step.paintId, `leave it out: ${factsOf(step.technique).label} takes no paint`);
    });
  scheme.parts.forEach((part, index) => {
    own(`parts[${index}]`, part.id);
    checkSteps(part.steps, `parts[${index}].steps`);
  });
  checkSteps(scheme.allOver, 'allOver');
}
