const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

type Asked = Pick<Request, 'method' | 'headers'>;

/** Only the loopback names, and the host the program was told to listen on, so that no foreign name can be pointed here. */
export function isAllowedHost(request: Asked, listeningHost = process.env['HOST']): boolean {
  const host = hostOf(request)?.replace(/:\d+$/, '');
  return host !== undefined && (LOOPBACK.has(host) || host === listeningHost);
}

/** Every write must come from our own pages: its Origin header names the very address it was sent to, scheme and all. */
export function isSameOrigin(request: Asked): boolean {
  if (READING.has(request.method)) return true;
  const origin = request.headers.get('origin');
  return origin !== null && origin === `http://${hostOf(request)}`;
}

const hostOf = (request: Asked): string | undefined => request.headers.get('host') ?? undefined;
