import { TWIN_DIFFERENCE } from './nearTwins';

/** Whether two colours are told apart: `never`, only `side by side`, or `always`. */
export type ToldApart = 'never' | 'side by side' | 'always';

/** CIEDE2000: two painted fields that touch and differ by less look the same to most. */
const SEEN = 1;

/** How models in one of two colours look beside models in the other, by their difference (CIEDE2000). */
export const toldApart = (difference: number): ToldApart =>
  difference <= SEEN ? 'never' : difference <= TWIN_DIFFERENCE ? 'side by side' : 'always';
