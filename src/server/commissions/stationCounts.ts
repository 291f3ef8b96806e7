import { hasOpenCount, hasScheme } from '../../core/scheme/definitions';
import type { Stores } from '../stores';

/** What is open at each station of a commission, in a word or two; null when nothing asks for attention. */
export interface StationCounts {
  commissionName: string;
  intake: string | null;
  scheme: string | null;
  bench: string | null;
}

export async function stationCounts(
  stores: Pick<Stores, 'commissions' | 'runs'>,
  commissionId: string | undefined,
): Promise<StationCounts | null> {
  const commission = commissionId === undefined ? null : await stores.commissions.find(commissionId);
  if (!commission) return null;
  const units = await stores.commissions.units(commission.id);
  const counts = units.filter(hasOpenCount).length;
  const bare = units.filter((unit) => !hasScheme(unit)).length;
  return {
    commissionName: commission.name,
    intake: counts > 0 ? `${counts} count open` : null,
    scheme: bare > 0 ? `${bare} without` : null,
    bench: (await stores.runs.openRun(commission.id)) ? 'line laid out' : null,
  };
}
