/** The body is larger than the endpoint takes. */
export class TooLargeError extends Error {
  override readonly name = 'TooLargeError';
}

/** Reads a body as text and gives up as soon as it is longer than the limit, whatever its header claims. */
export async function readBody(request: Request, limitBytes: number): Promise<string> {
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
  return Buffer.concat(chunks).toString('utf8');
}
