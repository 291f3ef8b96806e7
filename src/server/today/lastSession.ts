import { SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { minutesThatCount } from '../../core/log/definitions';
import type { LastSession } from '../../contract/today';
import type { Workshop } from '../workshop/loadWorkshop';

const GAP_MS = SITTING_GAP_MINUTES * MINUTE_MS;
/** So long after the last stroke the painter is still taken to sit there. */
const STILL_THERE_MS = 30 * MINUTE_MS;

/** What the log of the bench says of the last sitting, and what asks to be looked at before the next. */
export function lastSession(workshop: Workshop, now: Date): LastSession | null {
  const rows = workshop.log
    .filter(({ eventId }) => eventId !== null)
    .map((row) => ({ row, from: Date.parse(row.startedAt), to: Date.parse(row.startedAt) + (minutesThatCount(row) ?? 0) * MINUTE_MS }))
    .filter(({ from }) => from <= now.getTime())
    .sort((a, b) => a.from - b.from);
  const last = rows.at(-1);
  if (!last || now.getTime() - last.to < STILL_THERE_MS) return null;
  let first = rows.length - 1;
  while (first > 0 && rows[first]!.from - rows[first - 1]!.to <= GAP_MS) first--;
  const own = rows.slice(first);
  return {
    from: own[0]!.from,
    to: Math.max(...own.map(({ to }) => to)),
    minutes: own.reduce((sum, { row }) => sum + (minutesThatCount(row) ?? 0), 0),
    modelSteps: own.reduce((sum, { row }) => sum + (row.technique === 'touchup' ? 0 : row.models), 0),
    units: [...new Set(own.map(({ row }) => row.unit))],
    lookFirst: lookFirst(workshop),
  };
}

/** Spots that wait for a touch-up come before all else: what is painted next may cover them. */
function lookFirst({ units, marks, commissions }: Workshop): LastSession['lookFirst'] {
  for (const { id } of commissions) {
    const own = new Set(units.filter((unit) => unit.commissionId === id).map((unit) => unit.id));
    const open = marks.trouble.filter(({ unit }) => own.has(unit));
    const spots = new Map(
      open.flatMap(({ unit, passKey, models }) =>
        models.filter((model) => marks.marks.get(passKey)?.get(model)?.missed).map((model) => [`${passKey} ${model}`, unit] as const),
      ),
    );
    const [first] = spots.values();
    if (first === undefined) continue;
    const name = units.find((unit) => unit.id === first)!.name;
    return {
      what: `${spots.size} ${spots.size === 1 ? 'spot' : 'spots'} to mend, ${name}`,
      href: `/touch-up?commission=${encodeURIComponent(id)}`,
    };
  }
  return null;
}
