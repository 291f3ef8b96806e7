const two = (value: number) => String(value).padStart(2, '0');

/**
 * The local calendar day of a moment, as 2026-11-30.
 *
 * @example localDay(new Date(2026, 10, 30, 23, 59)) // '2026-11-30'
 */
export const localDay = (at: Date): string => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
