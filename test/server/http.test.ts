import { expect } from 'chai';
import { download } from '../../src/server/http/download';
import { isAllowedHost, isSameOrigin } from '../../src/server/http/origin';
import { InputError } from '../../src/core/kernel/InputError';
import { Gate } from '../../src/server/running/gate';
import { decodeText } from '../../src/server/text/decodeText';
import { readBody, TooLargeError } from '../../src/server/http/readBody';

const HERE = 'http://127.0.0.1:4321/api/paints';
const request = (method: string, headers: Record<string, string> = {}) => ({
  method,
  headers: new Headers({ host: '127.0.0.1:4321', ...headers }),
});

describe('who may write', () => {
  it('is our own pages only', () => {
    expect(isSameOrigin(request('PUT', { origin: 'http://127.0.0.1:4321' }))).to.equal(true);
    for (const origin of ['http://127.0.0.1:9999', 'https://127.0.0.1:4321', 'http://elsewhere.example', 'null', '']) {
      expect(isSameOrigin(request('POST', { origin })), origin).to.equal(false);
    }
    expect(isSameOrigin(request('POST'))).to.equal(false);
    expect(isSameOrigin(request('GET'))).to.equal(true);
  });

  it('is asked for by a loopback name, or the host listened on', () => {
    for (const host of ['127.0.0.1', 'localhost:4321', '[::1]:4321'])
      expect(isAllowedHost(request('GET', { host }), undefined), host).to.equal(true);
    expect(isAllowedHost(request('GET', { host: 'elsewhere.example' }), undefined)).to.equal(false);
    expect(isAllowedHost(request('GET', { host: 'studio.lan:80' }), 'studio.lan')).to.equal(true);
  });
});

describe('reading a body', () => {
  const sent = (text: string) => new Request(HERE, { method: 'POST', body: text });
  it('gives the text up to the limit', async () => expect(await readBody(sent('wät'), 4)).to.equal('wät'));
  it('gives up beyond it', async () => {
    const error = await readBody(sent('12345'), 4).catch((problem: unknown) => problem);
    expect(error).to.be.instanceOf(TooLargeError);
    expect((error as Error).message).to.match(/larger than 4 bytes: send it in smaller parts/);
  });
  it('gives nothing for no body', async () => expect(await readBody(new Request(HERE), 4)).to.equal(''));
});

describe('the text of a file', () => {
  const text = 'Möwe, ½ pot\n';
  const bytes = (encoding: BufferEncoding, mark: number[] = []) => Uint8Array.from([...mark, ...Buffer.from(text, encoding)]);
  for (const [what, file] of [
    ['UTF-8', bytes('utf8')],
    ['UTF-8 with its mark', bytes('utf8', [0xef, 0xbb, 0xbf])],
    ['UTF-16', bytes('utf16le', [0xff, 0xfe])],
    ['UTF-16, the other way round', Uint8Array.from([0xfe, 0xff, ...Buffer.from(text, 'utf16le').swap16()])],
    ['Latin-1', bytes('latin1')],
  ] as const)
    it(`is read as it was written: ${what}`, () => expect(decodeText(file, 'the file')).to.equal(text));

  it('is refused where it is none', () => {
    expect(() => decodeText(Uint8Array.from([0x50, 0x4b, 0x03, 0x04, 0, 0]), 'the file')).to.throw(InputError, /choose a text file/);
    expect(() => decodeText(Uint8Array.from([0xff, 0xfe, 0x00, 0xd8]), 'the file')).to.throw(InputError, /choose a text file/);
  });
});

describe('a gate', () => {
  it('lets many through together, and one alone when the others are out', async () => {
    const gate = new Gate();
    const seen: string[] = [];
    let inside = 0;
    const visit = (name: string, alone: boolean) => async () => {
      inside++;
      if (alone) expect(inside, name).to.equal(1);
      await new Promise((resolve) => setTimeout(resolve, 5));
      inside--;
      seen.push(name);
    };
    await Promise.all([
      gate.together(visit('a', false)),
      gate.together(visit('b', false)),
      gate.byItself(visit('x', true)),
      gate.together(visit('c', false)),
      gate.byItself(visit('y', true)),
      gate.byItself(visit('z', true)),
    ]);
    expect(seen.slice(0, 3)).to.deep.equal(['a', 'b', 'x']);
    expect([...seen].sort()).to.deep.equal(['a', 'b', 'c', 'x', 'y', 'z']);
  });

  it('opens again when the work inside fails', async () => {
    const gate = new Gate();
    await gate.byItself(() => Promise.reject(new Error('x'))).catch(() => undefined);
    await gate.together(() => Promise.reject(new Error('x'))).catch(() => undefined);
    expect(await gate.byItself(() => Promise.resolve('in'))).to.equal('in');
  });
});

describe('a file to save', () => {
  it('has a name that a disk can hold', () => {
    expect(download('x', '../Tide: "coast".json', 'text/plain').headers.get('content-disposition')).to.equal(
      "attachment; filename*=UTF-8''Tide%20coast.json",
    );
    expect(download('x', '///', 'text/plain').headers.get('content-disposition')).to.include('neat-relay');
  });
});
