import { ulid } from 'ulid';

export interface DeviceReport {
  devices: number;
  taps: number;
  /** Taps that some device has not heard of, or heard twice. */
  missing: number;
  twice: number;
  /** From sending a tap to hearing it at another device, milliseconds. */
  medianMs: number;
  p95Ms: number;
}

const PATIENCE_MS = 20_000;

/** So many devices tap at one bench at once, send some taps twice, and hear each other. */
export async function tapTogether(url: string, { devices, tapsEach }: { devices: number; tapsEach: number }): Promise<DeviceReport> {
  const sentAt = new Map<string, number>();
  const delays: number[] = [];
  const stop = new AbortController();
  const heard = Array.from({ length: devices }, () => new Map<string, number>());
  const first = await lastSeq(url);
  const listening = heard.map((ids) =>
    listen(`${url}/api/bench/stream?after=${first}`, stop.signal, (id) => {
      ids.set(id, (ids.get(id) ?? 0) + 1);
      const at = sentAt.get(id);
      if (at !== undefined) delays.push(performance.now() - at);
    }),
  );
  await Promise.all(
    heard.map(async (_ids, device) => {
      for (let tap = 0; tap < tapsEach; tap++) {
        const id = ulid();
        sentAt.set(id, performance.now());
        const event = { id, kind: 'noted', at: new Date().toISOString(), note: `device ${device}, tap ${tap}` };
        for (let again = 0; again <= tap % 3; again++) await post(url, { events: [event] });
      }
    }),
  );
  const isThere = () => heard.every((ids) => [...sentAt.keys()].every((id) => ids.has(id)));
  for (const begun = performance.now(); !isThere() && performance.now() - begun < PATIENCE_MS;)
    await new Promise((resolve) => setTimeout(resolve, 50));
  stop.abort();
  await Promise.all(listening);
  delays.sort((a, b) => a - b);
  return {
    devices,
    taps: sentAt.size,
    missing: heard.reduce((sum, ids) => sum + [...sentAt.keys()].filter((id) => !ids.has(id)).length, 0),
    twice: heard.reduce((sum, ids) => sum + [...ids.values()].filter((times) => times > 1).length, 0),
    medianMs: delays[Math.floor(delays.length / 2)] ?? NaN,
    p95Ms: delays[Math.floor(delays.length * 0.95)] ?? NaN,
  };
}

async function post(url: string, body: unknown): Promise<void> {
  const response = await fetch(`${url}/api/bench/events`, { method: 'POST', body: JSON.stringify(body), headers: { origin: url } });
  if (!response.ok) throw new Error(`a tap was answered with ${response.status}: ${await response.text()}`);
}

/** Number of the last event, which a stream from the begin ends with. */
async function lastSeq(url: string): Promise<number> {
  const bench = (await (await fetch(`${url}/api/bench`)).json()) as { seq: number } | null;
  return bench?.seq ?? 0;
}

async function listen(url: string, signal: AbortSignal, hear: (id: string) => void): Promise<void> {
  try {
    const { body } = await fetch(url, { signal });
    let rest = '';
    for await (const chunk of body!.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>) {
      const parts = (rest + chunk).split('\n\n');
      rest = parts.pop()!;
      for (const part of parts) {
        if (!part.includes('event: taps')) continue;
        const { events } = JSON.parse(/data: (.*)/.exec(part)![1]!) as { events: { id: string }[] };
        for (const { id } of events) hear(id);
      }
    }
  } catch (error) {
    if (!signal.aborted) throw error;
  }
}
