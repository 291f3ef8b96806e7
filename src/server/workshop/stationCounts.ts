import { noMarks } from '../../core/bench/replay/foldMarks';
import { hasOpenCount, hasScheme } from '../../core/scheme/model/definitions';
import type { Commission } from '../../core/commission/definitions';
import { reconcile } from '../../core/commission/reconcile';
import type { Stores } from '../stores/stores';

/** What is open at each station, in a word or two; null when nothing asks for attention. */
export interface StationCounts {
  /** Null while no commission is carried along. */
  commission: { id: string; name: string; intake: string | null; scheme: string | null; money: string | null } | null;
  bench: string | null;
}

export async function stationCounts(
  stores: Pick<Stores, 'commissions' | 'workshop' | 'houseRules' | 'quotes'>,
  commissionId: string | undefined,
): Promise<StationCounts> {
  const commission = commissionId === undefined ? null : await stores.commissions.find(commissionId);
  return {
    commission: commission && commission.closedAt === null ? await commissionCounts(stores, commission) : null,
    bench: (await stores.workshop.bench()) ? 'line on it' : null,
  };
}

async function commissionCounts(
  stores: Pick<Stores, 'commissions' | 'houseRules' | 'quotes'>,
  { id, name, standard }: Pick<Commission, 'id' | 'name' | 'standard'>,
): Promise<StationCounts['commission']> {
  const units = await stores.commissions.units(id);
  const counts = units.filter(hasOpenCount).length;
  const bare = units.filter((unit) => !hasScheme(unit)).length;
  const house = await stores.houseRules.load();
  const left = units
    .flatMap((unit) => reconcile({ ...unit, commissionName: name, standard }, noMarks(), house).open)
    .filter(({ at }) => at === 'scheme').length;
  const lastQuote = (await stores.quotes.ofCommission(id)).at(-1);
  return {
    id,
    name,
    intake: counts > 0 ? `${counts} ${counts === 1 ? 'count' : 'counts'} to settle` : null,
    scheme: bare > 0 ? `${bare} without a scheme` : left > 0 ? `${left} left out` : null,
    money: lastQuote && lastQuote.answer === null ? 'quote unanswered' : null,
  };
}
