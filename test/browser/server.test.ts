import { expect } from 'chai';
import http from 'node:http';
import { startApp, type App } from '../support/app';

describe('the running server', function () {
  this.timeout(60_000);
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app?.stop());

  const paint = { id: 'p1', name: 'Fog', hex: '#aabbcc', kind: 'opaque', dryMinutes: null };
  const put = (body: string, headers: Record<string, string> = { origin: app.url }) =>
    fetch(`${app.url}/api/paints`, { method: 'PUT', body, headers });
  const errorOf = async (response: Response) => ((await response.json()) as { error: string }).error;

  it('takes a write from its own pages only', async () => {
    expect((await put(JSON.stringify(paint))).status).to.equal(200);
    expect((await put(JSON.stringify(paint), {})).status).to.equal(403);
    const foreign = await put(JSON.stringify(paint), { origin: 'http://elsewhere.example' });
    expect([foreign.status, await errorOf(foreign)]).to.deep.equal([
      403,
      'This write comes from another site: open Neat Relay itself and try there.',
    ]);
  });

  it('answers to its own name only', async () => {
    const status = await new Promise<number>((resolve, reject) => {
      http.get(app.url, { headers: { host: 'elsewhere.example' } }, (response) => resolve(response.statusCode!)).on('error', reject);
    });
    expect(status).to.equal(403);
  });

  it('refuses bad input with what is wrong and what to do', async () => {
    const bad = await put(JSON.stringify({ ...paint, hex: 'red' }));
    expect([bad.status, await errorOf(bad)]).to.deep.equal([400, 'hex is "red": give a colour as #a1b2c3']);
    const noJson = await put('{');
    expect([noJson.status, await errorOf(noJson)]).to.deep.equal([400, 'the request is "{": send valid JSON']);
  });

  it('refuses a body that is too large', async () => {
    expect((await put(JSON.stringify({ ...paint, name: 'x'.repeat(1_100_000) }))).status).to.equal(413);
  });

  it('says what is not there, without a trace of its inside', async () => {
    const missing = await fetch(`${app.url}/api/commissions/none/estimate`);
    expect([missing.status, await errorOf(missing)]).to.deep.equal([
      404,
      'There is no commission none: it may have been deleted, or made in another data folder.',
    ]);
    const page = await fetch(`${app.url}/c/none/intake`);
    expect(page.status).to.equal(404);
    expect(await page.text())
      .to.include('Nothing stands here')
      .and.not.to.match(/\bat .*\.(m?js|ts):\d+/);
  });

  it('sends its security headers, and no script runs without a hash', async () => {
    const { headers } = await fetch(app.url);
    const policy = headers.get('content-security-policy')!;
    const scripts = policy.split(';').find((directive) => directive.trim().startsWith('script-src'))!;
    expect(scripts)
      .to.match(/'self' 'sha256-/)
      .and.not.to.include('unsafe');
    expect(policy).to.include("default-src 'self'").and.to.include("frame-ancestors 'none'");
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
    expect(headers.get('x-frame-options')).to.equal('DENY');
  });
});
