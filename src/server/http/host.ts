import compression from 'compression';
import http, { type IncomingMessage, type RequestListener, type ServerResponse } from 'node:http';
import sirv from 'sirv';
import { isAllowedHost, isSameOrigin } from './origin';

const SECURITY_HEADERS: Record<string, string> = {
  // Pages bring a policy of their own with the hashes of their scripts.
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};
/** Files whose names hold a hash of their content never change. */
const HASHED = '/_astro/';
const BENCH_WORKER = '/bench-worker.js';
/** What the framework brings along and nobody here uses. */
const UNUSED = /^\/_(image|server-islands|actions)\b/;
/** Longer than browsers keep a silent connection: one that asks again in the very moment does not find it closed. */
const SILENT_MS = 75_000;
const A_YEAR_SECONDS = 31_536_000;

type Listener = (request: IncomingMessage, response: ServerResponse, next: () => void) => void;

/** The web server at this computer's own address: foreign hosts and foreign writes are refused. */
export function createHost(inside: RequestListener): http.Server {
  const server = http.createServer((request, response) => {
    const refusal = refusalOf(request);
    if (!refusal) return inside(request, response);
    setSecurityHeaders(response);
    refuse(response, ...refusal);
  });
  server.keepAliveTimeout = SILENT_MS;
  return server;
}

/**
 * What answers whoever may ask, here and over the network: every answer carries the same headers, answers are compressed, and hashed
 * files are kept by the browser for good.
 */
export function createInside(pages: RequestListener, staticFolder: string): RequestListener {
  const files = sirv(staticFolder, {
    etag: true,
    setHeaders: (response, path) => {
      response.setHeader('cache-control', path.startsWith(HASHED) ? `public, max-age=${A_YEAR_SECONDS}, immutable` : 'no-cache');
      // A worker goes by the policy of its own file: this one asks the program what it keeps of the bench.
      if (path === BENCH_WORKER) response.setHeader('content-security-policy', "default-src 'none'; connect-src 'self'");
    },
  }) as Listener;
  const compress = compression({ filter: isCompressible }) as unknown as Listener;
  return (request, response) => {
    setSecurityHeaders(response);
    const refusal = pathRefusal(request);
    if (refusal) return refuse(response, ...refusal);
    compress(request, response, () =>
      files(request, response, () => {
        response.setHeader('cache-control', 'no-store');
        pages(request, response);
      }),
    );
  };
}

function setSecurityHeaders(response: ServerResponse): void {
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
}

/** Events go out one by one and would wait in a compressor. */
function isCompressible(request: IncomingMessage, response: ServerResponse): boolean {
  return (
    !String(response.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(request as never, response as never)
  );
}

function refusalOf(request: IncomingMessage): [number, string] | null {
  const asked = { method: request.method ?? 'GET', headers: new Headers(onlyOnce(request)) };
  if (!isAllowedHost(asked)) return [403, 'This program answers only at its own address: open it at 127.0.0.1.'];
  if (!isSameOrigin(asked)) return [403, 'This write comes from another site: open Neat Relay itself and try there.'];
  return null;
}

/** What is no address of ours, whoever asks for it. */
function pathRefusal(request: IncomingMessage): [number, string] | null {
  const path = pathOf(request.url ?? '/');
  if (path === null) return [400, 'This address cannot be read: follow a link of the program instead.'];
  if (UNUSED.test(path)) return [404, 'There is nothing at this address: open Today.'];
  return null;
}

const onlyOnce = ({ headers }: IncomingMessage): Record<string, string> => ({
  ...(headers.host !== undefined && { host: headers.host }),
  ...(headers.origin !== undefined && { origin: headers.origin }),
});

function pathOf(url: string): string | null {
  try {
    const { pathname } = new URL(url, 'http://127.0.0.1');
    const path = decodeURI(pathname);
    // What is encoded twice is no address of ours: somebody wants to get past a check.
    return path !== pathname && /%[0-9a-f]{2}/i.test(path) ? null : path;
  } catch {
    return null;
  }
}

function refuse(response: ServerResponse, status: number, error: string): void {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store', connection: 'close' });
  response.end(JSON.stringify({ error }));
}
