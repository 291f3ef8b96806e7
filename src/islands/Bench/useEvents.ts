import { useCallback, useEffect, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { BenchEvent } from '../../core/bench/definitions';
import { BUILD } from '../../core/build';
import { wholeEvent, type CompactEvent } from '../../core/formats/benchEvents';
import type { BenchPicture } from '../../core/views/bench';
import { ApiError, send } from '../shared/api';
import { addToOutbox, dropFromOutbox, isOutboxKey, readOutbox } from './outbox';

export type NewEvent = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>;

const RETRY_MS = 1500;
/** Taps go to the server in pieces, so that a long evening offline is taken too. */
const SENT_AT_ONCE = 400;
const WORK: readonly BenchEvent['kind'][] = ['done', 'undone', 'touched-up', 'reopened'];

interface Listeners {
  /** The server has these events now, from this window or another. */
  onStored: (events: readonly BenchEvent[]) => void;
  /** What this window was opened with does not hold any more. */
  onStale: () => void;
}

/**
 * The events of the bench in this window: those the server has, and those still on their way. A tap is written to the browser's
 * store first, shown next, and sent until the server has it; other windows and devices are heard as they tap.
 */
export function useEvents(picture: BenchPicture, { onStored, onStale }: Listeners) {
  const [more, setMore] = useState<BenchEvent[]>([]);
  const [unsent, setUnsent] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [isOutdated, setOutdated] = useState(false);
  const lastAt = useRef(0);
  const sending = useRef(false);
  const listeners = useRef({ onStored, onStale });
  const known = useRef(new Set<string>());
  useEffect(() => {
    listeners.current = { onStored, onStale };
    known.current = new Set(picture.events.map((event) => event.id));
    for (const event of picture.events) lastAt.current = Math.max(lastAt.current, Date.parse(event.at));
  });

  const merge = useCallback((events: readonly BenchEvent[]) => {
    for (const event of events) lastAt.current = Math.max(lastAt.current, Date.parse(event.at));
    setMore((all) => {
      const ids = new Set(all.map((event) => event.id));
      const fresh = events.filter((event) => !ids.has(event.id) && !known.current.has(event.id));
      return fresh.length === 0 ? all : [...all, ...fresh];
    });
  }, []);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let batch = readOutbox().slice(0, SENT_AT_ONCE); batch.length > 0; batch = readOutbox().slice(0, SENT_AT_ONCE)) {
        await send('POST', '/api/bench/events', { events: batch });
        dropFromOutbox(batch.map((event) => event.id));
        listeners.current.onStored(batch);
      }
      setProblem(null);
    } catch (error) {
      const unanswered = error instanceof ApiError && (error.status === 0 || error.status >= 500);
      setProblem(
        unanswered
          ? 'The program does not answer. Go on: every tap is kept here and sent when it is back.'
          : `Taps are kept here but were refused: ${(error as Error).message}`,
      );
    } finally {
      sending.current = false;
      setUnsent(readOutbox().length);
    }
  }, []);

  /** Writes taps down, shows them, and sends them on. */
  const record = useCallback(
    (...taps: NewEvent[]) => {
      const made = taps.map((tap): BenchEvent => {
        // Two taps in one millisecond still need an order, and a clock set back must not put a tap before the last one.
        const at = tap.at ?? new Date(Math.max(Date.now(), lastAt.current + 1)).toISOString();
        lastAt.current = Math.max(lastAt.current, Date.parse(at));
        return wholeEvent({ ...tap, id: ulid(), at });
      });
      try {
        addToOutbox(made);
      } catch {
        setProblem('This browser refuses to keep anything, so the tap was not taken: leave private browsing or free some space.');
        return;
      }
      merge(made);
      setUnsent(readOutbox().length);
      void flush();
    },
    [merge, flush],
  );

  useEffect(() => {
    // Taps of an earlier visit that never left the browser; shown from the first effect on, since the server cannot know them.
    const start = setTimeout(() => {
      merge(readOutbox());
      void flush();
    });
    const retry = setInterval(() => {
      if (readOutbox().length > 0) void flush();
    }, RETRY_MS);
    const onStorage = (event: StorageEvent) => {
      if (isOutboxKey(event.key)) merge(readOutbox());
    };
    window.addEventListener('storage', onStorage);
    return () => {
      clearTimeout(start);
      clearInterval(retry);
      window.removeEventListener('storage', onStorage);
    };
  }, [merge, flush]);

  const { seq } = picture;
  const from = useRef(picture.events[0]?.at ?? '');
  useEffect(() => {
    from.current = picture.events[0]?.at ?? '';
  }, [picture]);
  useEffect(() => {
    const stream = new EventSource(`/api/bench/stream?after=${seq}`);
    const isOfThePast = (event: BenchEvent) =>
      event.at < from.current || (event.target !== null && !known.current.has(event.target) && event.kind === 'undone');
    stream.addEventListener('taps', ({ data }: MessageEvent<string>) => {
      const events = (JSON.parse(data) as { events: CompactEvent[] }).events.map(wholeEvent);
      for (const event of events) if (event.kind !== 'undone') known.current.add(event.id);
      merge(events);
      if (events.some(isOfThePast)) listeners.current.onStale();
      else if (events.some((event) => WORK.includes(event.kind))) listeners.current.onStored(events);
    });
    stream.addEventListener('changed', () => listeners.current.onStale());
    stream.addEventListener('hello', ({ data }: MessageEvent<string>) => {
      if ((JSON.parse(data) as { build: string }).build !== BUILD) setOutdated(true);
    });
    return () => stream.close();
  }, [seq, merge]);

  return { events: more, unsent, problem, isOutdated, record };
}
