import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { tapTogether } from '../support/hostile/devices';
import { killOften } from '../support/hostile/kills';
import { sendHostile } from '../support/hostile/requests';

const SEED = 20261126;

/** A short part of `npm run bench:hostile`. */
describe('a hostile world', () => {
  let app: App;
  before(async () => {
    app = await startApp({ demo: true });
  });
  after(() => app?.stop());

  it('lets several devices at one bench hear each other, each tap once', async () => {
    const { missing, twice, taps } = await tapTogether(app.url, { devices: 6, tapsEach: 6 });
    expect({ missing, twice, taps }).to.deep.equal({ missing: 0, twice: 0, taps: 36 });
  });

  it(`is answered with a reason, whatever it asks, seed ${SEED}`, async () => {
    const { wrong, statuses } = await sendHostile(app.url, { requests: 500, seed: SEED, atOnce: 8 });
    expect(wrong).to.deep.equal([]);
    expect(statuses['200'], 'good requests among them').to.be.greaterThan(20);
    expect((await fetch(app.url)).status).to.equal(200);
  });

  it(`loses nothing and leaves nothing half when it is killed, seed ${SEED}`, async () => {
    const { wrong, inTheMiddle } = await killOften({ taps: 8, import: 6, upgrade: 6, first: 2 }, { seed: SEED, atOnce: 2 });
    expect(wrong).to.deep.equal([]);
    expect(inTheMiddle).to.be.greaterThan(5);
  });
});
