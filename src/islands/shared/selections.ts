import type { UnitChoice } from '../../contract/line';
import type { Selection } from '../../core/plan/selection';
import { counted } from '../../ui/format';

/** What a line is made of, in words. */
export function summaryOf(units: readonly UnitChoice[]): string {
  const names = [...new Set(units.map((unit) => unit.commissionName))];
  return `${names.join(' and ')}: ${counted(units.length, 'unit')}`;
}

/** All units of a commission stand for whatever units it has; some stand for themselves. */
export const selectionOf = (commissions: readonly UnitChoice[][], chosen: ReadonlySet<string>): Selection =>
  commissions.flatMap((units) => {
    const ids = units.filter((unit) => chosen.has(unit.id)).map((unit) => unit.id);
    if (ids.length === 0) return [];
    return [{ commissionId: units[0]!.commissionId, unitIds: ids.length === units.length ? null : ids }];
  });
