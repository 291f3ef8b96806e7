import type { LogRow } from '../../core/time/definitions';
import type { Stores } from '../stores';

/** Rows as they are shown: commissions and units by the names they have today, where the log knows which they are. */
export async function withTodaysNames<R extends LogRow>(stores: Pick<Stores, 'commissions'>, rows: readonly R[]): Promise<R[]> {
  const ids = (of: 'commissionId' | 'unitId') => [...new Set(rows.flatMap((row) => row[of] ?? []))];
  const commissions = await stores.commissions.commissionNames(ids('commissionId'));
  const units = await stores.commissions.unitNames(ids('unitId'));
  return rows.map((row) => ({
    ...row,
    commission: commissions.get(row.commissionId ?? '') ?? row.commission,
    unit: units.get(row.unitId ?? '') ?? row.unit,
  }));
}
