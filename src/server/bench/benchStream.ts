import { BUILD } from '../../contract/build';
import { compactEvent } from '../../core/formats/commission/benchEvents';
import type { Stores } from '../stores/stores';
import { clock } from '../running/programTime';
import { listen } from '../running/announcements';

const MOST_AT_ONCE = 1000;
/** Shorter than anything on the way closes a silent connection. */
const KEEP_ALIVE_MS = 20_000;

/**
 * Server-sent events for an open bench: `hello` with the build and which data it is about, `taps` with events after number `after`, `changed` when something
 * else was written. The browser comes back by itself when the connection breaks.
 */
export function benchStream(stores: Pick<Stores, 'bench'>, data: string, after: number, signal: AbortSignal): Response {
  const encoder = new TextEncoder();
  let close: () => void = () => undefined;
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      let seq = after;
      let sending = Promise.resolve();
      const send = (name: string, data: unknown, id?: number) => {
        try {
          controller.enqueue(encoder.encode(`${id === undefined ? '' : `id: ${id}\n`}event: ${name}\ndata: ${JSON.stringify(data)}\n\n`));
        } catch {
          close();
        }
      };
      const sendTaps = async () => {
        for (;;) {
          const events = await stores.bench.after(seq, MOST_AT_ONCE);
          if (events.length === 0) return;
          seq = events.at(-1)!.seq;
          send('taps', { events: events.map(compactEvent), seq }, seq);
        }
      };
      const queueTaps = () => {
        // The connection is not worth a failed program: the browser asks again.
        sending = sending.then(sendTaps).catch(() => close());
      };
      const stop = listen((what) => {
        if (what === 'events') queueTaps();
        if (what === 'changed') send('changed', null);
      });
      const beat = setInterval(() => send('beat', { now: clock.now() }), KEEP_ALIVE_MS);
      close = () => {
        stop();
        clearInterval(beat);
        try {
          controller.close();
        } catch {
          // It is closed already.
        }
      };
      signal.addEventListener('abort', close);
      send('hello', { build: BUILD, data, now: clock.now() });
      queueTaps();
    },
    cancel: () => close(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}
