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
  const response = await (method === 'GET' ? patient(url, {}) : ask(method, url, body));
  return (await response.json().catch(() => null)) as T;
}

interface Patience {
  /** Called while the answer is still being worked out. */
  onWorking?: () => void;
  signal?: AbortSignal;
}

/** The same for a view: it is told meanwhile that the answer takes longer, and asks no more once it is closed. */
export async function sendPatiently<T>(url: string, patience: Patience): Promise<T> {
  return (await (await patient(url, patience)).json()) as T;
}

const STILL_WORKING = 202;
const ASK_AGAIN_MS = 150;

async function patient(url: string, { onWorking, signal }: Patience): Promise<Response> {
  for (;;) {
    const response = await fetched(url, { headers: { prefer: 'respond-async' }, ...(signal && { signal }) });
    if (response.status !== STILL_WORKING) return response;
    onWorking?.();
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
    signal?.throwIfAborted();
  }
}

/** Sends a file as it is and returns the JSON answer; throws an `ApiError`. */
export async function sendFile<T>(url: string, file: Blob): Promise<T> {
  const response = await fetched(url, { method: 'POST', body: file, headers: { 'content-type': 'application/octet-stream' } });
  return (await response.json().catch(() => null)) as T;
}

/** Sends JSON and returns the file that the server makes of it; throws an `ApiError`. */
export const sendForFile = async (url: string, body: unknown): Promise<Blob> => (await ask('POST', url, body)).blob();

const ask = (method: string, url: string, body: unknown): Promise<Response> =>
  fetched(url, {
    method,
    ...(body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });

async function fetched(url: string, request: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(url, request);
  } catch {
    throw new ApiError(NO_ANSWER, 0);
  }
  if (response.ok) return response;
  const answer = (await response.json().catch(() => null)) as { error?: string } | null;
  throw new ApiError(answer?.error ?? `The program answered with ${response.status}: try again.`, response.status);
}
