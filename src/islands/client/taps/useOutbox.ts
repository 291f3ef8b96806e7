import { useCallback, useEffect, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { BenchEvent } from '../../../core/bench/definitions';
import { wholeEvent } from '../../../core/bench/wholeEvent';
import { send } from '../api';
import { programNow } from '../clock';
import { addToOutbox, adoptOldOutboxes, isOutboxKey, readOutbox } from './outbox';
import { TapSender } from './TapSender';

export type NewEvent = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>;

const RETRY_MS = 1500;

interface Listeners {
  /** Taps of this window or of another one in this browser, to be shown at once. */
  onTaken: (events: readonly BenchEvent[]) => void;
  /** The server has these now. */
  onStored: (events: readonly BenchEvent[]) => void;
  /** The unit of a pass, for taps that an earlier version kept by pass. */
  unitOf: (passKey: string) => string | undefined;
}

/** Taps on their way to the server: each is written to the browser's store first, shown next, and sent until the server has it. */
export function useOutbox(listening: Listeners) {
  const [unsent, setUnsent] = useState(0);
  const [ownTaps, setOwnTaps] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const lastAt = useRef(0);
  const listeners = useRef(listening);
  useEffect(() => {
    listeners.current = listening;
  });
  /** Taps that come later are later than these. */
  const follow = useCallback((events: readonly Pick<BenchEvent, 'at'>[]) => {
    for (const { at } of events) lastAt.current = Math.max(lastAt.current, Date.parse(at));
  }, []);
  const take = useCallback(
    (events: readonly BenchEvent[]) => {
      follow(events);
      listeners.current.onTaken(events);
    },
    [follow],
  );
  const [sender] = useState(() => new TapSender((events) => send('POST', '/api/bench/events', { events })));
  const flush = useCallback(
    () =>
      sender.flush({
        onStored: (events) => listeners.current.onStored(events),
        onTried: (wrong, left) => {
          setProblem(wrong);
          setUnsent(left);
        },
      }),
    [sender],
  );

  /** Writes taps down, shows them, and sends them on. */
  const record = useCallback(
    (...taps: NewEvent[]) => {
      const made = taps.map((tap): BenchEvent => {
        // Two taps in one millisecond still need an order, and a clock set back must not put a tap before the last one.
        const at = tap.at ?? new Date(Math.max(programNow(), lastAt.current + 1)).toISOString();
        follow([{ at }]);
        return wholeEvent({ ...tap, id: tap.id ?? ulid(), at });
      });
      try {
        addToOutbox(made);
      } catch {
        setProblem('This browser refuses to keep anything, so the tap was not taken: leave private browsing or free some space.');
        return;
      }
      take(made);
      setOwnTaps((count) => count + made.length);
      setUnsent(readOutbox().length);
      void flush();
    },
    [follow, take, flush],
  );

  useEffect(() => {
    // Taps of an earlier visit that never left the browser; shown from the first effect on, since the server cannot know them.
    const start = setTimeout(() => {
      adoptOldOutboxes((key) => listeners.current.unitOf(key));
      take(readOutbox());
      void flush();
    });
    const retry = setInterval(() => {
      if (readOutbox().length > 0) void flush();
    }, RETRY_MS);
    const onStorage = (event: StorageEvent) => {
      if (isOutboxKey(event.key)) take(readOutbox());
    };
    window.addEventListener('storage', onStorage);
    return () => {
      clearTimeout(start);
      clearInterval(retry);
      window.removeEventListener('storage', onStorage);
    };
  }, [take, flush]);

  return { unsent, ownTaps, problem, record, follow };
}
