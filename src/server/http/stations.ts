import type { AstroCookies } from 'astro';
import { stationCounts } from '../commissions/stationCounts';
import { services } from '../services';

type StationKey = 'today' | 'intake' | 'scheme' | 'trays' | 'line' | 'bench' | 'ledger' | 'shelf' | 'house';

const COOKIE = 'commission';
const YEAR_SECONDS = 31_536_000;

/** What the frame around a view shows: the stations, with the commission carried along from view to view. */
export async function stationsFor(current: StationKey, cookies: AstroCookies, commissionId?: string) {
  const id = commissionId ?? cookies.get(COOKIE)?.value;
  const counts = await stationCounts(await services(), id);
  if (commissionId !== undefined && counts)
    cookies.set(COOKIE, commissionId, { path: '/', maxAge: YEAR_SECONDS, sameSite: 'strict', httpOnly: true });
  const at = (key: StationKey, name: string, path: string, open?: string | null) => ({
    href: counts ? `/c/${id}/${path}` : null,
    name,
    current: key === current,
    open: open ?? null,
  });
  return {
    commissionName: commissionId === undefined ? null : (counts?.commissionName ?? null),
    stations: [
      { href: '/', name: 'Today', current: current === 'today' },
      at('intake', 'Intake', 'intake', counts?.intake),
      at('scheme', 'Scheme', 'scheme', counts?.scheme),
      at('trays', 'Trays', 'trays'),
      at('line', 'Line', 'line'),
      at('bench', 'Bench', 'bench', counts?.bench),
    ],
    house: [
      { href: '/ledger', name: 'Ledger', current: current === 'ledger' },
      { href: '/shelf', name: 'Shelf', current: current === 'shelf' },
      { href: '/house-rules', name: 'House rules', current: current === 'house' },
    ],
  };
}
