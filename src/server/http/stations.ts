import type { AstroCookies } from 'astro';
import { stationCounts } from '../workshop/stationCounts';
import { services } from '../starting/services';

type StationKey =
  | 'today'
  | 'intake'
  | 'scheme'
  | 'money'
  | 'colours'
  | 'trays'
  | 'line'
  | 'bench'
  | 'finish'
  | 'ledger'
  | 'shelf'
  | 'library'
  | 'house'
  | 'backups';

const COOKIE = 'commission';
const YEAR_SECONDS = 31_536_000;

/**
 * What the frame around a view shows: Intake and Scheme of the commission carried along from view to view, then the stations of
 * the whole workshop.
 */
export async function stationsFor(current: StationKey, cookies: AstroCookies, commissionId?: string) {
  const { commission, bench } = await stationCounts(await services(), commissionId ?? cookies.get(COOKIE)?.value);
  if (commissionId !== undefined && commission)
    cookies.set(COOKIE, commissionId, { path: '/', maxAge: YEAR_SECONDS, sameSite: 'strict', httpOnly: true });
  const ofCommission = (key: StationKey, name: string, path: string, open: string | null | undefined) => ({
    href: commission && `/c/${commission.id}/${path}`,
    name,
    current: key === current,
    open: open ?? null,
  });
  const ofWorkshop = (key: StationKey, name: string, href: string, open: string | null = null) => ({
    href,
    name,
    current: key === current,
    open,
  });
  return {
    commissionName: commissionId === undefined ? null : (commission?.name ?? null),
    stations: [
      ofWorkshop('today', 'Today', '/'),
      ofCommission('intake', 'Intake', 'intake', commission?.intake),
      ofCommission('scheme', 'Scheme', 'scheme', commission?.scheme),
      ofCommission('money', 'Money', 'money', commission?.money),
      ofWorkshop('colours', 'Colours', '/colours'),
      ofWorkshop('trays', 'Trays', '/trays'),
      ofWorkshop('line', 'Line', '/line'),
      ofWorkshop('bench', 'Bench', '/bench', bench),
      ofCommission('finish', 'Finish', 'finish', null),
    ],
    house: [
      { href: '/ledger', name: 'Ledger', current: current === 'ledger' },
      { href: '/shelf', name: 'Shelf', current: current === 'shelf' },
      { href: '/library', name: 'Library', current: current === 'library' },
      { href: '/house-rules', name: 'House rules', current: current === 'house' },
      { href: '/backups', name: 'Backups', current: current === 'backups' },
    ],
  };
}
