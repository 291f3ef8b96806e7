import http, { type IncomingMessage, type RequestListener, type ServerResponse } from 'node:http';
import https from 'node:https';
import { readFileSync } from 'node:fs';
import QRCode from 'qrcode';
import type { DeviceSeen, DevicesPicture, PairingCode, Rights } from '../../contract/devices';
import { programTime } from '../running/programTime';
import { ownAddresses, ownNames } from './addresses';
import type { DeviceBook } from './DeviceBook';
import { mayDo } from './mayDo';
import { pairPage } from './pairPage';
import { PairingDesk } from './PairingDesk';
import type { Door } from './theDoor';

const COOKIE = 'neat-relay-device';
const A_YEAR_SECONDS = 31_536_000;
const LONGEST_FORM_BYTES = 1000;
const LONGEST_NAME = 60;

export interface Certificate {
  certFile: string;
  keyFile: string;
}

interface LanDoorOptions {
  port: number;
  book: DeviceBook;
  /** Answers whoever was let in. */
  inside: RequestListener;
  /** Of the painter's own; null goes over the network as it is. */
  certificate: Certificate | null;
}

/**
 * The program on the network: closed until it is opened, and then for devices that were let in by a code shown at the computer. Whoever
 * else asks gets 401 and the form to type a code, and nothing of the program.
 */
export class LanDoor implements Door {
  private servers: http.Server[] = [];
  private addresses: string[] = [];
  private problem: string | null = null;
  private readonly desk = new PairingDesk();
  /** Answers that are still being written, by device: streams of the bench last for hours. */
  private readonly answers = new Map<string, Set<ServerResponse>>();

  constructor(private readonly options: LanDoorOptions) {}

  picture = (): DevicesPicture => ({
    isOpen: this.servers.length > 0,
    addresses: this.addresses.map((address) => this.urlOf(address)),
    isEncrypted: this.options.certificate !== null,
    problem: this.problem,
    devices: this.options.book.list(),
  });

  set = async (isOpen: boolean): Promise<void> => {
    this.options.book.setOpen(isOpen);
    await (isOpen ? this.open() : this.close());
  };

  /** Opens it on every address of this computer. What cannot be opened is said in `problem`. */
  open = async (): Promise<void> => {
    if (this.servers.length > 0) return;
    this.problem = null;
    const addresses = ownAddresses();
    if (addresses.length === 0) this.problem = 'This computer is on no network now: connect it, then switch this on again.';
    for (const address of addresses) {
      try {
        this.servers.push(await this.listen(address));
        this.addresses.push(address);
      } catch (error) {
        this.problem = `The address ${address} could not be opened (${(error as Error).message}): look whether another program has port ${this.options.port} there.`;
      }
    }
  };

  close = async (): Promise<void> => {
    const servers = this.servers.splice(0);
    this.addresses = [];
    this.desk.end();
    for (const server of servers) {
      server.close();
      server.closeAllConnections();
    }
  };

  pair = (may: Rights): PairingCode | null => {
    const [address] = this.addresses;
    if (address === undefined) return null;
    const { code, until } = this.desk.begin(may, programTime().getTime());
    const withCode = `${this.urlOf(address)}/pair?code=${code}`;
    const { modules } = QRCode.create(withCode);
    const dark = Array.from(modules.data).flatMap((isDark, at) =>
      isDark ? [`M${at % modules.size} ${Math.floor(at / modules.size)}h1v1h-1z`] : [],
    );
    return { code, until, address: withCode, path: dark.join(''), size: modules.size };
  };

  revoke = (id: string): boolean => {
    const isGone = this.options.book.revoke(id);
    for (const answer of this.answers.get(id) ?? []) answer.destroy();
    this.answers.delete(id);
    return isGone;
  };

  private get scheme(): 'http' | 'https' {
    return this.options.certificate ? 'https' : 'http';
  }

  private urlOf = (address: string): string => `${this.scheme}://${address}:${this.options.port}`;

  private listen(address: string): Promise<http.Server> {
    const { certificate, port } = this.options;
    const listener: RequestListener = (request, response) => void this.answer(request, response);
    return new Promise((resolve, reject) => {
      const server = certificate
        ? https.createServer({ cert: readFileSync(certificate.certFile), key: readFileSync(certificate.keyFile) }, listener)
        : http.createServer(listener);
      server.once('error', reject);
      server.listen(port, address, () => resolve(server));
    });
  }

  private async answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const host = request.headers.host?.toLowerCase() ?? '';
    // A foreign name that points here is somebody else's page.
    if (![...this.addresses, ...ownNames()].some((name) => host === `${name}:${this.options.port}`)) return refuse(response, 403);
    const method = request.method ?? 'GET';
    const isRead = method === 'GET' || method === 'HEAD';
    if (!isRead && request.headers.origin !== `${this.scheme}://${host}`) return refuse(response, 403);
    const url = urlOf(request);
    if (url === null) return refuse(response, 400, 'This address cannot be read: follow a link of the program instead.');
    const device = this.deviceOf(request);
    if (device === null) {
      if (method === 'POST' && url.path === '/pair') return this.pairDevice(request, response);
      if (url.path.startsWith('/api/'))
        return refuse(response, 401, 'This device is not paired any more: reload the page, and pair it with a code from the computer.');
      return askForCode(response, 401, url.path === '/pair' ? url.code : '', null);
    }
    if (url.path === '/pair' || (device.may === 'bench' && url.path === '/')) return goTo(response, '/bench');
    if (!mayDo(device.may, method, url.path))
      return refuse(response, 403, 'This device may only work at the bench: do that at the computer, or pair it again for everything.');
    this.remember(device, response);
    this.options.inside(request, response);
  }

  private deviceOf(request: IncomingMessage): DeviceSeen | null {
    const cookies = (request.headers.cookie ?? '').split(';').map((each) => each.trim().split('='));
    const token = cookies.find(([name]) => name === COOKIE)?.[1];
    return token === undefined ? null : this.options.book.find(token, programTime());
  }

  private async pairDevice(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const form = new URLSearchParams(await readForm(request));
    const typed = form.get('code') ?? '';
    const attempt = await this.desk.take(typed, request.socket.remoteAddress ?? '', programTime().getTime());
    if (attempt.kind === 'too often') return askForCode(response, 429, '', 'That was tried too often: wait a minute, then try again.');
    if (attempt.kind === 'wrong')
      return askForCode(response, 401, '', 'This code is not valid, or not any more: let the computer show a new one.');
    const name = (form.get('name') ?? '').trim().slice(0, LONGEST_NAME) || 'Tablet';
    const { token } = this.options.book.add(name, attempt.may, programTime());
    const isSecure = this.options.certificate ? '; Secure' : '';
    response.setHeader('set-cookie', `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${A_YEAR_SECONDS}${isSecure}`);
    goTo(response, '/bench');
  }

  private remember({ id }: DeviceSeen, response: ServerResponse): void {
    const open = this.answers.get(id) ?? new Set();
    this.answers.set(id, open.add(response));
    response.once('close', () => open.delete(response));
  }
}

/** The path as it is meant, whatever it was written as; null for what is written so as to get past a check. */
function urlOf({ url = '/' }: IncomingMessage): { path: string; code: string } | null {
  try {
    const { pathname, searchParams } = new URL(url, 'http://here');
    const path = decodeURI(pathname);
    if (!url.startsWith(pathname) || /\/\/|\\|%/.test(path)) return null;
    return { path, code: searchParams.get('code') ?? '' };
  } catch {
    return null;
  }
}

async function readForm(request: IncomingMessage): Promise<string> {
  let form = '';
  for await (const chunk of request) {
    form += String(chunk);
    if (form.length > LONGEST_FORM_BYTES) return '';
  }
  return form;
}

const HEADERS = {
  'cache-control': 'no-store',
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  // Not `no-referrer`: a form would not say where it comes from.
  'referrer-policy': 'same-origin',
  'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
};

function askForCode(response: ServerResponse, status: number, code: string, problem: string | null): void {
  response.writeHead(status, { ...HEADERS, 'content-type': 'text/html; charset=utf-8' });
  response.end(pairPage(code, problem));
}

function goTo(response: ServerResponse, path: string): void {
  response.writeHead(303, { ...HEADERS, location: path });
  response.end();
}

function refuse(
  response: ServerResponse,
  status: number,
  error = 'This address or origin is not allowed: open Neat Relay by the address that House rules shows.',
): void {
  response.writeHead(status, { ...HEADERS, 'content-type': 'application/json', connection: 'close' });
  response.end(JSON.stringify({ error }));
}
