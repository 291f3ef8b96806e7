const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]', '::1']);
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Only the loopback names, and the host the program was told to listen on, so that no foreign name can be pointed here. */
export function isAllowedHost(hostname: string, listeningHost = process.env['HOST']): boolean {
  return LOOPBACK.has(hostname) || (listeningHost !== undefined && hostname === listeningHost);
}

/** Every write must come from our own pages: its Origin header names this very address. */
export function isSameOrigin(request: Pick<Request, 'method' | 'headers'>, url: URL): boolean {
  if (READING.has(request.method)) return true;
  return request.headers.get('origin') === url.origin;
}
