import { useCallback, useEffect, useRef, useState } from 'react';
import type { BenchEvent } from '../../../core/bench/definitions';
import { BUILD } from '../../../contract/build';
import { wholeEvent, type CompactEvent } from '../../../core/bench/wholeEvent';
import type { BenchPicture } from '../../../contract/bench';
import { hearTime } from '../../client/clock';
import { readOutbox } from '../../client/taps/outbox';
import { useOutbox } from '../../client/taps/useOutbox';

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
  const [isOutdated, setOutdated] = useState(false);
  const [isHeard, setHeard] = useState(false);
  const listeners = useRef({ onStored, onStale });
  useEffect(() => {
    listeners.current = { onStored, onStale };
  });

  /** Ids of the events that the picture brought, and of all that this window has heard of since. */
  const inPicture = useRef<ReadonlySet<string>>(new Set());
  const heard = useRef(new Set<string>());
  const lastSeq = useRef(picture.seq);
  const from = useRef('');
  const openedOn = useRef<string>(undefined);
  useEffect(() => {
    inPicture.current = new Set(picture.events.map((event) => event.id));
    from.current = picture.events[0]?.at ?? '';
    lastSeq.current = Math.max(lastSeq.current, picture.seq);
    // What the new picture holds, or has behind it, is not folded twice; what is not sent yet it cannot hold.
    const waiting = new Set(readOutbox().map((event) => event.id));
    setMore((all) => all.filter((event) => waiting.has(event.id) || (event.at >= from.current && !inPicture.current.has(event.id))));
  }, [picture]);

  const merge = useCallback((events: readonly BenchEvent[]) => {
    for (const event of events) heard.current.add(event.id);
    setMore((all) => {
      const ids = new Set(all.map((event) => event.id));
      const fresh = events.filter((event) => !ids.has(event.id) && !inPicture.current.has(event.id));
      return fresh.length === 0 ? all : [...all, ...fresh];
    });
  }, []);

  const { unsent, ownTaps, problem, record, follow } = useOutbox({
    onTaken: merge,
    onStored: (events) => listeners.current.onStored(events),
    unitOf: (key) => picture.line.passes.find((pass) => pass.key === key)?.unitId,
  });

  useEffect(() => {
    follow(picture.events);
  }, [picture, follow]);

  useEffect(() => {
    /** It concerns what lies before the events of this window: only the server can work that out. */
    const isOfThePast = (event: BenchEvent) =>
      event.at < from.current || (event.kind === 'undone' && !inPicture.current.has(event.target!) && !heard.current.has(event.target!));
    const onTaps = ({ data }: MessageEvent<string>) => {
      const { events: compact, seq } = JSON.parse(data) as { events: CompactEvent[]; seq: number };
      lastSeq.current = seq;
      const news = compact.map(wholeEvent).filter((event) => !inPicture.current.has(event.id) && !heard.current.has(event.id));
      follow(news);
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
  }, [merge, follow]);

  return { events: more, unsent, ownTaps, problem, isOutdated, isHeard, record };
}
