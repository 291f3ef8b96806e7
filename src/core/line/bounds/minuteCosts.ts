import type { CompiledLine } from '../problem/compiledLine';
import { isEndless } from './sessions';

/** What a minute adds to the total of an order. */
export interface MinuteCosts {
  /** In one endless session every minute until the end is one at the bench. */
  isEndless: boolean;
  /** One on the clock. */
  perMinute: number;
  /** One lost at the bench, beyond that. */
  perLostMinute: number;
}

export function minuteCosts(line: CompiledLine): MinuteCosts {
  const { span, bench } = line.objective;
  return isEndless(line)
    ? { isEndless: true, perMinute: span + bench, perLostMinute: 0 }
    : { isEndless: false, perMinute: span, perLostMinute: bench };
}
