/**
 * The part of the program that runs in the browser without a window: it keeps what the bench is drawn from, so that an installed bench
 * opens while the program is away. It keeps the bench alone; every other view is as fresh as the program.
 */
import { agedPicture, isPartOfBench, KEPT_AT } from './keeping';

/** What the compiler does not know of such a worker. */
interface WorkerEvent extends Event {
  waitUntil: (work: Promise<unknown>) => void;
}
interface FetchEvent extends WorkerEvent {
  request: Request;
  respondWith: (answer: Promise<Response>) => void;
}
interface KeepEvent extends WorkerEvent {
  data: { keep?: string[] };
}
interface WorkerScope {
  addEventListener: ((kind: 'install' | 'activate', act: (event: WorkerEvent) => void) => void) &
    ((kind: 'fetch', act: (event: FetchEvent) => void) => void) &
    ((kind: 'message', act: (event: KeepEvent) => void) => void);
  skipWaiting: () => Promise<void>;
  clients: { claim: () => Promise<void> };
}

const SHELF = 'neat-relay bench';
const PAGE = '/bench';
const PICTURE = '/api/bench';
const EVENTS = '/api/bench/events';
/** Taps come in bursts: the picture is read again when there is a moment of peace. */
const PEACE_MS = 2000;

const worker = self as unknown as WorkerScope;

worker.addEventListener('install', (event) => event.waitUntil(worker.skipWaiting()));
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));

worker.addEventListener('message', (event) => {
  const { keep } = event.data;
  if (keep) event.waitUntil(keepShell(keep));
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (request.method === 'POST' && url.pathname === EVENTS) {
    event.respondWith(fetch(request));
    event.waitUntil(readPictureSoon());
  } else if (request.method !== 'GET') return;
  else if (url.pathname === PAGE || url.pathname === PICTURE) event.respondWith(freshOrKept(request, url.pathname));
  else if (isPartOfBench(url.pathname)) event.respondWith(keptOrFresh(request));
});

/** The program's answer; what was kept only where it does not answer. */
async function freshOrKept(request: Request, path: string): Promise<Response> {
  let answer: Response;
  try {
    answer = await fetch(request);
  } catch {
    const kept = await (await caches.open(SHELF)).match(path);
    if (!kept) return Response.error();
    return path === PICTURE ? agedPicture(kept, Date.now()) : kept;
  }
  // A device that was turned away keeps nothing of the bench either.
  if (answer.status === 401 || answer.status === 403) await caches.delete(SHELF);
  // Kept where the bench is kept at all: a browser that never asked for that stores nothing.
  else if (answer.status === 200 && (await caches.has(SHELF))) await put(path, answer.clone());
  return answer;
}

async function keptOrFresh(request: Request): Promise<Response> {
  return (await (await caches.open(SHELF)).match(request)) ?? fetch(request);
}

/** Keeps the page, the picture and all files of this version of the program; what an earlier one was drawn from is thrown away. */
async function keepShell(files: string[]): Promise<void> {
  const shelf = await caches.open(SHELF);
  const wanted = new Set(files);
  for (const request of await shelf.keys()) {
    const { pathname } = new URL(request.url);
    if (pathname !== PAGE && pathname !== PICTURE && !wanted.has(pathname)) await shelf.delete(request);
  }
  const known = new Set((await shelf.keys()).map((request) => new URL(request.url).pathname));
  await Promise.all([...files.filter((file) => !known.has(file)).map((file) => shelf.add(file)), readAgain(PAGE), readAgain(PICTURE)]);
}

async function readAgain(path: string): Promise<void> {
  const answer = await fetch(path).catch(() => null);
  if (answer?.status === 200) await put(path, answer);
}

/** With the moment it was read at. */
async function put(path: string, answer: Response): Promise<void> {
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(Date.now()));
  await (await caches.open(SHELF)).put(path, new Response(await answer.blob(), { status: answer.status, headers }));
}

let reading: Promise<void> | null = null;

function readPictureSoon(): Promise<void> {
  reading ??= new Promise<void>((resolve) => setTimeout(resolve, PEACE_MS)).then(() => {
    reading = null;
    return readAgain(PICTURE);
  });
  return reading;
}
