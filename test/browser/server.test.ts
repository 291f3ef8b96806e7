import { expect } from 'chai';
import { renameSync } from 'node:fs';
import http from 'node:http';
import { startApp, type App } from '../support/app';

describe('the running server', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app?.stop());

  const fog = { id: 'p1', name: 'Fog', hex: '#aabbcc', kind: 'opaque', dryMinutes: null };
  const paint = { revision: 0, paint: fog };
  const put = (body: string, headers: Record<string, string> = { origin: app.url }) =>
    fetch(`${app.url}/api/paints`, { method: 'PUT', body, headers });
  const errorOf = async (response: Response) => ((await response.json()) as { error: string }).error;

  it('takes a write from its own pages only', async () => {
    expect((await put(JSON.stringify(paint))).status).to.equal(200);
    expect((await put(JSON.stringify(paint), {})).status).to.equal(403);
    expect((await put(JSON.stringify(paint))).status, 'the same paint as a new one').to.equal(409);
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
    const bad = await put(JSON.stringify({ revision: 1, paint: { ...fog, hex: 'red' } }));
    expect([bad.status, await errorOf(bad)]).to.deep.equal([400, 'paint.hex is "red": give a colour as #a1b2c3']);
    const noJson = await put('{');
    expect([noJson.status, await errorOf(noJson)]).to.deep.equal([400, 'the request is "{": send valid JSON']);
  });

  it('refuses a body that is too large', async () => {
    expect((await put(JSON.stringify({ revision: 1, paint: { ...fog, name: 'x'.repeat(1_100_000) } }))).status).to.equal(413);
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
      .to.include('Page not found')
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

  it('guards files and refusals like pages, and tells the browser what to keep', async () => {
    const page = await fetch(app.url);
    const [, file] = /href="(\/_astro\/[^"]+)"/.exec(await page.text())!;
    expect(page.headers.get('cache-control')).to.equal('no-store');
    const asset = await fetch(app.url + file!);
    expect(asset.headers.get('cache-control')).to.equal('public, max-age=31536000, immutable');
    for (const path of [file!, '/icon.svg', '/nowhere', '/api/nowhere', '/%ff', '/_image?href=x', '/api/paints']) {
      const { headers } = await fetch(app.url + path);
      expect(headers.get('x-content-type-options'), path).to.equal('nosniff');
      expect(headers.get('x-frame-options'), path).to.equal('DENY');
      expect(headers.get('content-security-policy'), path).to.include("frame-ancestors 'none'");
    }
    const foreign = await new Promise<number>((resolve, reject) => {
      http
        .get(app.url + file!, { headers: { host: 'elsewhere.example' } }, (response) => resolve(response.statusCode!))
        .on('error', reject);
    });
    expect(foreign).to.equal(403);
  });

  it('compresses what it sends', async () => {
    const length = (encoding: string) =>
      new Promise<number>((resolve, reject) => {
        http
          .get(app.url, { headers: { 'accept-encoding': encoding } }, (response) => {
            let sum = 0;
            response.on('data', (chunk: Buffer) => (sum += chunk.length)).on('end', () => resolve(sum));
          })
          .on('error', reject);
      });
    expect(await length('gzip')).to.be.lessThan((await length('identity')) / 2);
  });

  it('says in JSON what an address takes, and that there is none', async () => {
    const wrong = await fetch(`${app.url}/api/paints`, { method: 'DELETE', headers: { origin: app.url } });
    expect([wrong.status, wrong.headers.get('allow'), await errorOf(wrong)]).to.deep.equal([
      405,
      'PUT',
      'This address takes only PUT: use one of these.',
    ]);
    for (const path of ['/api/nowhere', '/_image?href=/icon.svg']) {
      const none = await fetch(app.url + path);
      expect([none.status, none.headers.get('content-type')], path).to.deep.equal([404, 'application/json']);
    }
    expect((await fetch(`${app.url}/%E0%A4%A`)).status).to.equal(400);
  });

  it('lets others in while a long file is imported, and takes taps when it is done', async () => {
    const rows = Array.from(
      { length: 20_000 },
      (_, index) => `${new Date(1.7e12 + index * 60_000).toISOString()},Fair,Bakers,Apron,basecoat,foot,0.2,10,${10 + (index % 7)},2,`,
    );
    const csv = ['started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note', ...rows].join('\n');
    let isDone = false;
    const importing = fetch(`${app.url}/api/time-log/import`, { method: 'POST', body: csv, headers: { origin: app.url } }).then(
      (response) => {
        isDone = true;
        return response.json() as Promise<{ newRows: number }>;
      },
    );
    let answered = 0;
    while (!isDone) {
      const response = await fetch(`${app.url}/shelf`);
      await response.text();
      if (!isDone) answered++;
      expect(response.status).to.equal(200);
    }
    expect((await importing).newRows).to.equal(20_000);
    expect(answered, 'pages while it was imported').to.be.greaterThan(5);
    const tap = { id: 'n1', kind: 'noted', at: new Date().toISOString(), note: 'still here' };
    const post = () =>
      fetch(`${app.url}/api/bench/events`, { method: 'POST', body: JSON.stringify({ events: [tap] }), headers: { origin: app.url } });
    expect((await post()).status).to.equal(200);
  });

  it('says that its data folder is gone instead of taking more', async () => {
    renameSync(`${app.folder}/neat-relay.sqlite`, `${app.folder}/moved.sqlite`);
    const refused = await put(JSON.stringify({ revision: 0, paint: { ...fog, id: 'p9' } }));
    expect([refused.status, await errorOf(refused)]).to.deep.equal([
      503,
      `The data folder ${app.folder} was deleted or replaced while the program ran: nothing is stored any more. Stop the program, put the folder back if it was deleted by mistake, and start again.`,
    ]);
    const page = await fetch(app.url);
    expect([page.status, (await page.text()).startsWith('The data folder')]).to.deep.equal([503, true]);
    renameSync(`${app.folder}/moved.sqlite`, `${app.folder}/neat-relay.sqlite`);
    expect((await put(JSON.stringify({ revision: 0, paint: { ...fog, id: 'p9' } }))).status).to.equal(200);
  });
});
