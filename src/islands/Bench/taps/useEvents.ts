import { useCallback, useEffect, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { BenchEvent } from '../../../core/bench/definitions';
import { BUILD } from '../../../contract/build';
import { wholeEvent, type CompactEvent } from '../../../core/formats/commission/benchEvents';
import type { BenchPicture } from '../../../contract/bench';
import { send } from '../../client/api';
import { hearTime, programNow } from '../../client/clock';
import { addToOutbox, adoptOldOutboxes, isOutboxKey, readOutbox } from './outbox';
import { TapSender } from './TapSender';

export type NewEvent = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>;

const RETRY_MS = 1500;
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
  const [ownTaps, setOwnTaps] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [isOutdated, setOutdated] = useState(false);
  const [isHeard, setHeard] = useState(false);
  const lastAt = useRef(0);
  const listeners = useRef({ onStored, onStale });
  useEffect(() => {
    listeners.current = { onStored, onStale };
  });

  /** Ids of the events that the picture brought, and of all that this window has heard of since. */
  const inPicture = useRef<ReadonlySet<string>>(new Set());
  const heard = useRef(new Set<string>());
  const passes = useRef(picture.line.passes);
  const lastSeq = useRef(picture.seq);
  const from = useRef('');
  const openedOn = useRef<string>(undefined);
  useEffect(() => {
    inPicture.current = new Set(picture.events.map((event) => event.id));
    for (const event of picture.events) lastAt.current = Math.max(lastAt.current, Date.parse(event.at));
    from.current = picture.events[0]?.at ?? '';
    lastSeq.current = Math.max(lastSeq.current, picture.seq);
    // What the new picture holds, or has behind it, is not folded twice; what is not sent yet it cannot hold.
    const waiting = new Set(readOutbox().map((event) => event.id));
    setMore((all) => all.filter((event) => waiting.has(event.id) || (event.at >= from.current && !inPicture.current.has(event.id))));
  }, [picture]);

  const merge = useCallback((events: readonly BenchEvent[]) => {
    for (const event of events) {
      lastAt.current = Math.max(lastAt.current, Date.parse(event.at));
      heard.current.add(event.id);
    }
    setMore((all) => {
      const ids = new Set(all.map((event) => event.id));
      const fresh = events.filter((event) => !ids.has(event.id) && !inPicture.current.has(event.id));
      return fresh.length === 0 ? all : [...all, ...fresh];
    });
  }, []);

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
      setOwnTaps((count) => count + made.length);
      setUnsent(readOutbox().length);
      void flush();
    },
    [merge, flush],
  );

  useEffect(() => {
    // Taps of an earlier visit that never left the browser; shown from the first effect on, since the server cannot know them.
    const start = setTimeout(() => {
      adoptOldOutboxes((key) => passes.current.find((pass) => pass.key === key)?.unitId);
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

  useEffect(() => {
    /** It concerns what lies before the events of this window: only the server can work that out. */
    const isOfThePast = (event: BenchEvent) =>
      event.at < from.current || (event.kind === 'undone' && !inPicture.current.has(event.target!) && !heard.current.has(event.target!));
    const onTaps = ({ data }: MessageEvent<string>) => {
      const { events: compact, seq } = JSON.parse(data) as { events: CompactEvent[]; seq: number };
      lastSeq.current = seq;
      const news = compact.map(wholeEvent).filter((event) => !inPicture.current.has(event.id) && !heard.current.has(event.id));
      merge(news);
      if (news.some(isOfThePast)) listeners.current.onStale();
      else if (news.some((event) => WORK.includes(event.kind))) listeners.current.onStored(news);
    };
    let stream: EventSource | null = null;
    // A browser keeps few connections to one program: windows that nobody looks at leave theirs to the others.
    const connect = () => {
      stream?.close();
      stream = null;
      if (document.visibilityState === 'hidden') return;
      stream = new EventSource(`/api/bench/stream?after=${lastSeq.current}`);
      stream.addEventListener('taps', onTaps);
      stream.addEventListener('beat', ({ data }: MessageEvent<string>) => hearTime((JSON.parse(data) as { now: number }).now));
      stream.addEventListener('changed', () => listeners.current.onStale());
      stream.addEventListener('hello', ({ data }: MessageEvent<string>) => {
        const hello = JSON.parse(data) as { build: string; data: string; now: number };
        hearTime(hello.now);
        setHeard(true);
        // After a restore nothing that this window knows holds any more.
        if (hello.build !== BUILD || (openedOn.current ?? hello.data) !== hello.data) setOutdated(true);
        openedOn.current ??= hello.data;
      });
    };
    const onVisible = () => {
      connect();
      if (document.visibilityState === 'visible') listeners.current.onStale();
    };
    connect();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      stream?.close();
      document.removeEventListener('visibilitychange', onVisible);
    };
  }, [merge]);

  return { events: more, unsent, ownTaps, problem, isOutdated, isHeard, record };
}
