import { InputError } from '../../core/formats/InputError';

/** The body is larger than the endpoint takes. */
export class TooLargeError extends Error {
  override readonly name = 'TooLargeError';
}

/** Reads a body and gives up as soon as it is longer than the limit, whatever its header claims. */
export async function readBytes(request: Request, limitBytes: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > limitBytes) {
      await reader.cancel();
      throw new TooLargeError(`The request is larger than ${limitBytes} bytes: send it in smaller parts.`);
    }
    chunks.push(value);
  }
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
