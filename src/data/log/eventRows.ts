import { type BenchEvent, type WorkFacts, type StoredEvent } from '../../core/bench/definitions';
import { factsAsToday } from '../../core/formats/commission/benchEvents';

export interface EventRow extends Omit<StoredEvent, 'models' | 'facts'> {
  atMs: number;
  models: string;
  facts: string | null;
  /** The time as the client told it, where it was corrected since. */
  toldAt: string | null;
  /** The correction that moved it. */
  movedBy: string | null;
}

export const eventOf = ({ atMs: _ms, toldAt: _told, movedBy: _moved, models, facts, ...event }: EventRow): StoredEvent => ({
  ...event,
  models: JSON.parse(models) as number[],
  facts: facts === null ? null : factsAsToday(JSON.parse(facts) as WorkFacts),
});

export const rowOf = ({ models, facts, ...event }: BenchEvent, receivedAt: string) => ({
  bench: event.bench,
  id: event.id,
  kind: event.kind,
  at: event.at,
  atMs: Date.parse(event.at),
  receivedAt,
  unit: event.unit,
  step: event.step,
  coat: event.coat,
  models: JSON.stringify(models),
  target: event.target,
  minutes: event.minutes,
  readyAt: event.readyAt,
  fetchMinutes: event.fetchMinutes,
  facts: facts && JSON.stringify(facts),
  note: event.note,
});
