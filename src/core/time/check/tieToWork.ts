import { overWords } from '../../scheme/model/workWords';
import type { Unit } from '../../scheme/model/definitions';
import type { LogRow } from '../../log/definitions';

/** A unit with the names a log may know it by. */
export interface NamedUnit extends Pick<Unit, 'id' | 'name' | 'scheme'> {
  commissionId: string;
  commissionName: string;
}

/**
 * Ties a row that a file brought to the work it is of, where its names fit one unit, and one step of it, and no other. A row that
 * has ids of its own keeps them.
 */
export function tieToWork<R extends LogRow>(row: R, units: readonly NamedUnit[]): R {
  if (row.unitId !== null) return row;
  const named = units.filter((unit) => unit.commissionName === row.commission && unit.name === row.unit);
  if (named.length !== 1) return row;
  const [unit] = named as [NamedUnit];
  const { parts, allOver } = unit.scheme;
  const there = [
    ...parts.filter((part) => part.name === row.part).flatMap((part) => part.steps),
    ...allOver.filter((step) => (overWords(step.over, parts) ?? '') === row.part),
  ];
  const steps = there.filter((step) => step.technique === row.technique);
  return { ...row, commissionId: unit.commissionId, unitId: unit.id, stepId: steps.length === 1 ? steps[0]!.id : null };
}
