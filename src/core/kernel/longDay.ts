/**
 * A calendar day in a letter or on paper, with its year.
 *
 * @example longDay('2026-12-04') // 'Friday 4 December 2026'
 */
export function longDay(day: string): string {
  const at = new Date(`${day}T00:00:00Z`);
  const part = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' }).format(at);
  return `${part({ weekday: 'long' })} ${part({ day: 'numeric', month: 'long', year: 'numeric' })}`;
}
