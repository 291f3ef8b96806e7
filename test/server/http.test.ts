import { expect } from 'chai';
import { download } from '../../src/server/http/download';
import { isAllowedHost, isSameOrigin } from '../../src/server/http/origin';
import { readBody, TooLargeError } from '../../src/server/http/readBody';

const HERE = 'http://127.0.0.1:4321/api/paints';
const request = (method: string, headers: Record<string, string> = {}) => ({
  method,
  headers: new Headers({ host: '127.0.0.1:4321', ...headers }),
});

describe('who may write', () => {
  it('is our own pages only', () => {
    expect(isSameOrigin(request('PUT', { origin: 'http://127.0.0.1:4321' }))).to.equal(true);
    for (const origin of ['http://127.0.0.1:9999', 'http://elsewhere.example', 'null', '']) {
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

describe('a file to save', () => {
  it('has a name that a disk can hold', () => {
    expect(download('x', '../Tide: "coast".json', 'text/plain').headers.get('content-disposition')).to.equal(
      "attachment; filename*=UTF-8''..Tide%20coast.json",
    );
    expect(download('x', '///', 'text/plain').headers.get('content-disposition')).to.include('neat-relay');
  });
});
