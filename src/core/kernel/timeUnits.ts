/** Lengths of time in milliseconds. */
export const SECOND_MS = 1000;
export const MINUTE_MS = 60 * SECOND_MS;
export const HOUR_MS = 60 * MINUTE_MS;
/** Of a calendar without summer time: days of the painter are counted by their dates. */
export const DAY_MS = 24 * HOUR_MS;
