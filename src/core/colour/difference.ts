import { converter, differenceCiede2000, type Lab65 } from 'culori';

/** A colour in CIE L*a*b* under D65. */
export type Lab = Pick<Lab65, 'l' | 'a' | 'b'>;

const toLab65 = converter('lab65');
const ciede2000 = differenceCiede2000();

export const labOf = (hex: string): Lab => toLab65(hex)!;

/**
 * How different two colours look: CIEDE2000 (Sharma, Wu and Dalal 2005) under D65. Below 1 hardly anybody tells them apart side by
 * side; at the distance of a table it takes a few.
 *
 * @example differenceOf(labOf('#ff0000'), labOf('#ff0000')) // 0
 */
export const differenceOf = (a: Lab, b: Lab): number => ciede2000({ mode: 'lab65', ...a }, { mode: 'lab65', ...b });

/** The weight of lightness in CIEDE2000 is never above this, so colours further apart in L* than so many times a limit differ by more. */
export const MOST_LIGHTNESS_WEIGHT = 1.75;
