import type { Unit } from '../../scheme/model/definitions';
import { InputError } from '../../kernel/InputError';

/** What a list of units must keep beside the schema of each. Throws an `InputError` naming the first that does not. */
export function checkUnits(units: readonly Omit<Unit, 'scheme'>[]): void {
  const names = new Set<string>();
  const ids = new Set<string>();
  units.forEach((unit, index) => {
    const field = `units[${index}]`;
    if (ids.has(unit.id)) throw new InputError(`${field}.id`, unit.id, 'give every unit an id of its own');
    ids.add(unit.id);
    const name = unit.name.trim().toLowerCase();
    if (names.has(name))
      throw new InputError(`${field}.name`, unit.name, 'give every unit a name of its own, so that you can tell them apart at the bench');
    names.add(name);
    if (unit.testedBy !== null && (unit.testedBy === unit.id || !units.some(({ id }) => id === unit.testedBy)))
      throw new InputError(
        `${field}.testedBy`,
        unit.testedBy,
        'name another unit of the commission, whose test model speaks for it, or none',
      );
    const gone = new Set(unit.gone.map(({ model }) => model));
    if (gone.size < unit.gone.length)
      throw new InputError(`${field}.gone`, unit.gone.map(({ model }) => model).join(', '), 'name every model that is gone once');
    if (unit.owned >= unit.promised)
      throw new InputError(
        `${field}.owned`,
        unit.owned,
        `give fewer than the ${unit.promised} promised, or take the unit out: nothing of it would be painted`,
      );
  });
}
