import { GivenUpError } from '../running/givingUp';
import { InputError } from '../../core/kernel/InputError';

/** The body is larger than the endpoint takes. */
export class TooLargeError extends Error {
  override readonly name = 'TooLargeError';
}

/** The body stopped coming before it was whole. */
export class StalledError extends Error {
  override readonly name = 'StalledError';
}

/** A body of which nothing has come for so long is given up. */
export const PATIENCE_MS = 10_000;

/** A body piece by piece, given up when it is longer than the limit, whatever its header claims, or does not go on. */
export async function* chunksOf(
  body: ReadableStream<Uint8Array> | null,
  {
    limitBytes,
    remedy = 'send it in smaller parts',
    patienceMs = PATIENCE_MS,
  }: { limitBytes: number; remedy?: string; patienceMs?: number },
): AsyncGenerator<Uint8Array> {
  const reader = body?.getReader();
  let length = 0;
  while (reader) {
    const { done, value } = await nextOf(reader, patienceMs);
    if (done) return;
    length += value.length;
    if (length > limitBytes) {
      await reader.cancel();
      throw new TooLargeError(`The request is larger than ${limitBytes} bytes: ${remedy}.`);
    }
    yield value;
  }
}

async function nextOf(reader: ReadableStreamDefaultReader<Uint8Array>, patienceMs: number) {
  let timer: NodeJS.Timeout | undefined;
  const stalled = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(
      () => reject(new StalledError(`Nothing more of the request has come for ${patienceMs / 1000} s: send it again.`)),
      patienceMs,
    );
  });
  try {
    return await Promise.race([reader.read(), stalled]);
  } catch (error) {
    reader.cancel().catch(() => undefined);
    if (error instanceof StalledError) throw error;
    throw new GivenUpError('Whoever sent this has gone.', { cause: error });
  } finally {
    clearTimeout(timer);
  }
}

/** Reads a whole body. */
export async function readBytes(request: Request, limitBytes: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of chunksOf(request.body, { limitBytes })) chunks.push(chunk);
  return Buffer.concat(chunks);
}

/** A body as text, which our own pages write as UTF-8. */
export async function readBody(request: Request, limitBytes: number): Promise<string> {
  const bytes = await readBytes(request, limitBytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new InputError('the request', Buffer.from(bytes.subarray(0, 12)).toString('hex'), 'send text as UTF-8');
  }
}
