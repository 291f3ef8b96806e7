import { modelsOf, type Unit } from './definitions';

/** A run of models of one unit that travel together; positions in the unit, 1-based, both included. */
export interface UnitTray {
  id: string;
  unitId: string;
  number: number;
  from: number;
  to: number;
}

/** The model that is painted to the end first. */
export const TEST_MODEL = 1;

/**
 * Splits a unit into as few trays as its limit allows, as even as possible.
 * While its test model waits for the client, only that model may be on a tray.
 */
export function splitTrays(unit: Pick<Unit, 'id' | 'promised' | 'counted' | 'trayLimit' | 'testModel'>): UnitTray[] {
  const models = unit.testModel === 'waiting' ? Math.min(TEST_MODEL, modelsOf(unit)) : modelsOf(unit);
  const trays = Math.ceil(models / unit.trayLimit);
  return Array.from({ length: trays }, (_, index) => ({
    id: `${unit.id}/${index + 1}`,
    unitId: unit.id,
    number: index + 1,
    from: Math.floor((index * models) / trays) + 1,
    to: Math.floor(((index + 1) * models) / trays),
  }));
}
