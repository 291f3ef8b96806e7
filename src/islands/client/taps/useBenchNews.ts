import { useEffect, useRef } from 'react';
import { hearTime } from '../clock';

/** Keeps the program's time, and calls when something was tapped or changed in another window, and when somebody comes back to this one. */
export function useBenchNews(seq: number, onNews: () => void): void {
  const latest = useRef({ seq, onNews });
  useEffect(() => {
    latest.current = { seq, onNews };
  });
  useEffect(() => {
    let stream: EventSource | null = null;
    const tell = () => latest.current.onNews();
    const connect = () => {
      stream?.close();
      stream = null;
      if (document.visibilityState === 'hidden') return;
      stream = new EventSource(`/api/bench/stream?after=${latest.current.seq}`);
      stream.addEventListener('taps', tell);
      stream.addEventListener('changed', tell);
      for (const kind of ['hello', 'beat'])
        stream.addEventListener(kind, ({ data }: MessageEvent<string>) => hearTime((JSON.parse(data) as { now: number }).now));
    };
    const onVisible = () => {
      connect();
      if (document.visibilityState === 'visible') tell();
    };
    connect();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      stream?.close();
      document.removeEventListener('visibilitychange', onVisible);
    };
  }, []);
}
