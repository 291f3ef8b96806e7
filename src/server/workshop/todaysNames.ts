import { type LogRow, type StoredLogRow } from '../../core/log/definitions';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import type { Workshop } from './loadWorkshop';

/** Rows as they are shown: commissions and units by the names they have today, where the log knows which they are. */
export async function withTodaysNames<R extends LogRow>(stores: Pick<Stores, 'commissions'>, rows: readonly R[]): Promise<R[]> {
  const ids = (of: 'commissionId' | 'unitId') => [...new Set(rows.flatMap((row) => row[of] ?? []))];
  const commissions = await stores.commissions.commissionNames(ids('commissionId'));
  const units = await stores.commissions.unitNames(ids('unitId'));
  return rows.map((row) => {
    const commission = commissions.get(row.commissionId ?? '') ?? row.commission;
    const unit = units.get(row.unitId ?? '') ?? row.unit;
    // Few are called otherwise today, and a long log is not copied for them.
    return commission === row.commission && unit === row.unit ? row : { ...row, commission, unit };
  });
}

const NAMED = memoKey<Promise<StoredLogRow[]>>('the log by the names of today');

/** The whole log so, place by place; worked out once for as long as nothing is written. */
export const namedLog = (stores: Pick<Stores, 'commissions'>, workshop: Workshop): Promise<StoredLogRow[]> =>
  workshop.memory.once(NAMED, () => withTodaysNames(stores, workshop.log));
