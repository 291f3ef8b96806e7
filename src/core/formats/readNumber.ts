/** Digits, perhaps with a sign, a point, and the exponent that spreadsheets write. */
const DECIMAL = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;

/**
 * A number as people and spreadsheets write it, or null: 0x10 is none. `comma` may stand for the decimal point.
 *
 * @example readNumber('2,5', { comma: true }) // 2.5
 * @example readNumber('0x10') // null
 */
export function readNumber(text: string, { comma = false }: { comma?: boolean } = {}): number | null {
  const given = comma ? text.trim().replace(',', '.') : text.trim();
  return DECIMAL.test(given) ? Number(given) : null;
}
