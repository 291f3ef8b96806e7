/** A refusal or a failure of the server, in words for the painter. `status` is 0 when there was no answer at all. */
export class ApiError extends Error {
  override readonly name = 'ApiError';

  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

const NO_ANSWER = 'The program does not answer: what you did is kept in this window. Start it again and try once more.';

/** Sends JSON to our own server and returns its JSON answer; throws an `ApiError`. */
export async function send<T>(method: 'GET' | 'POST' | 'PUT', url: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      ...(body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch {
    throw new ApiError(NO_ANSWER, 0);
  }
  const answer = (await response.json().catch(() => null)) as { error?: string } | null;
  if (!response.ok) throw new ApiError(answer?.error ?? `The program answered with ${response.status}: try again.`, response.status);
  return answer as T;
}
