/** Numbers for people: one place over Intl, so that times, money and dates read alike everywhere. */

const MINUTES_PER_HOUR = 60;

/** Minutes as people say them: 1 h 25 min; below ten minutes with one decimal. */
export function minutesText(minutes: number): string {
  if (!Number.isFinite(minutes)) return '–';
  if (minutes > 0 && minutes < 9.95) return `${plain(minutes, 1, 0)} min`;
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / MINUTES_PER_HOUR);
  const rest = whole % MINUTES_PER_HOUR;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${plain(hours)} h` : `${plain(hours)} h ${rest} min`;
}

/** A difference in minutes with its sign: +38 min. */
export const differenceText = (minutes: number): string =>
  Math.abs(minutes) < 0.05 ? 'no change' : `${minutes > 0 ? '+' : '−'}${minutesText(Math.abs(minutes))}`;

/** A running time: 1:05 or 1:02:05. */
export function clockText(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const parts = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  const [hours, minutes, rest] = parts as [number, number, number];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

const two = (value: number) => String(value).padStart(2, '0');

/** A number with so many decimals; fewer down to `least` where they would be zeros. */
export const plain = (value: number, decimals = 0, least = decimals): string =>
  new Intl.NumberFormat('en-GB', { minimumFractionDigits: least, maximumFractionDigits: decimals }).format(value);

export const percentText = (share: number): string => new Intl.NumberFormat('en-GB', { style: 'percent' }).format(share);

/** Money from minor units, in whole units of the currency. */
export const moneyText = (minor: number, currency: string): string => currencyText(minor, currency, { maximumFractionDigits: 0 });

/** Money from minor units, to the last of them. */
export const exactMoneyText = (minor: number, currency: string): string => currencyText(minor, currency, {});

/** A difference in money with its sign, to the last minor unit. */
export const moneyDifferenceText = (minor: number, currency: string): string => currencyText(minor, currency, { signDisplay: 'always' });

function currencyText(minor: number, currency: string, digits: Intl.NumberFormatOptions): string {
  const exact = new Intl.NumberFormat('en-GB', { style: 'currency', currency });
  const major = minor / 10 ** (exact.resolvedOptions().maximumFractionDigits ?? 2);
  return new Intl.NumberFormat('en-GB', { style: 'currency', currency, ...digits }).format(major).replace('-', '−');
}

/** A calendar day (2026-11-30) as Mon 30 Nov. */
export function dayText(day: string): string {
  const [year, month, date] = day.split('-').map(Number);
  return dayOfText(new Date(year!, month! - 1, date!).getTime());
}

/** The local day of a moment (UTC ms) as Mon 30 Nov. */
export const dayOfText = (at: number): string => dateFormat({ weekday: 'short', day: 'numeric', month: 'short' }).format(new Date(at));

/** A moment (UTC ms) as its local day and time. */
export const momentText = (at: number): string =>
  dateFormat({ weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(at));
export const timeOfDayText = (at: number): string => dateFormat({ hour: '2-digit', minute: '2-digit' }).format(new Date(at));

const dateFormat = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', options);

/** Whole days from now to the end of a calendar day; negative when it is past. */
export function daysUntil(day: string, now: number): number {
  const [year, month, date] = day.split('-').map(Number);
  const today = new Date(now);
  return Math.round((Date.UTC(year!, month! - 1, date!) - Date.UTC(today.getFullYear(), today.getMonth(), today.getDate())) / 86_400_000);
}

export const counted = (count: number, one: string, many = `${one}s`): string => `${plain(count)} ${count === 1 ? one : many}`;

/** Positions in their order, runs drawn together: 1 to 3, 5. */
export function positionsText(positions: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const position of positions) {
    const last = runs.at(-1);
    if (last?.[1] === position - 1) last[1] = position;
    else runs.push([position, position]);
  }
  return runs.map(([from, to]) => rangeText(from, to)).join(', ');
}

/** From one position to another: 1 to 10, or 3 alone. */
export const rangeText = (from: number, to: number): string => (from === to ? String(from) : `${from} to ${to}`);

/** The size of a file: 640 kB, 12.4 MB. */
export function bytesText(bytes: number): string {
  const kilobytes = bytes / 1000;
  return kilobytes < 1000 ? `${plain(Math.max(1, Math.round(kilobytes)))} kB` : `${plain(kilobytes / 1000, 1)} MB`;
}
