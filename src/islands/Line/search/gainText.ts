import type { LineTotals } from '../../../core/line/definitions';
import type { Strategy } from '../../../core/line/search/strategies';
import type { LineTimes } from '../../shared/LineTimes';
import { counted, minutesText } from '../../../ui/format';

/** Less than this is not told apart, minutes. */
const SMALLEST = 0.5;

/**
 * What the suggested order gains on the painter's own (or, where there is none, on the order as entered), and what it gives for
 * that; null while one of them is not timed or does not fit.
 */
export function gainText(strategies: readonly Strategy[], times: Pick<LineTimes, 'sessionOf'>): string | null {
  const totalsOf = (id: Strategy['id']) => strategies.find((each) => each.id === id)?.totals ?? null;
  const suggested = totalsOf('suggested');
  const own = totalsOf('own');
  const other = own ?? totalsOf('entered');
  if (!suggested || !other) return null;
  const name = own ? 'your own order' : 'the order as entered';
  const better = changes(other, suggested, times);
  const worse = changes(suggested, other, times);
  if (better.length === 0 && worse.length === 0) return `The suggested order comes to the same as ${name}.`;
  if (better.length === 0) return `Against ${name} the suggested order has ${listed(worse.map(({ more }) => more))}.`;
  const price = worse.length > 0 ? `, for ${listed(worse.map(({ more }) => more))}` : '';
  return `Against ${name} the suggested order has ${listed(better.map(({ less }) => less))}${price}.`;
}

/** In what the second is better than the first. */
function changes(from: LineTotals, to: LineTotals, times: Pick<LineTimes, 'sessionOf'>): { less: string; more: string }[] {
  const found: { less: string; more: string }[] = [];
  const say = (amount: string, what: string) => found.push({ less: `${amount} less ${what}`, more: `${amount} more ${what}` });
  const minutes = (of: 'bench' | 'against') => from[of] - to[of];
  if (minutes('bench') >= SMALLEST) say(minutesText(minutes('bench')), 'at the bench');
  const legs = from.legCount - to.legCount;
  if (legs > 0) found.push({ less: counted(legs, 'leg') + ' fewer', more: counted(legs, 'leg') + ' more' });
  const sessions = times.sessionOf(from.finish) - times.sessionOf(to.finish);
  if (sessions > 0)
    found.push({ less: `its end ${counted(sessions, 'session')} sooner`, more: `its end ${counted(sessions, 'session')} later` });
  if (from.late - to.late >= 1) found.push({ less: 'less lateness', more: 'more lateness' });
  if (minutes('against') >= SMALLEST) say(minutesText(minutes('against')), 'of broken habits');
  return found;
}

function listed(parts: readonly string[]): string {
  return parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}`;
}
