import type { BenchEvent } from './definitions';

/** An event without the fields that say nothing. */
export type CompactEvent = Pick<BenchEvent, 'id' | 'kind' | 'at'> & Partial<BenchEvent>;

export const wholeEvent = (event: CompactEvent): BenchEvent => ({
  bench: null,
  unit: null,
  step: null,
  coat: null,
  models: [],
  target: null,
  minutes: null,
  readyAt: null,
  fetchMinutes: null,
  facts: null,
  note: '',
  ...event,
});
