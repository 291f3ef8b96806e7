import { expect } from 'chai';
import { agedPicture, isPartOfBench, KEPT_AT } from '../../src/islands/installed/keeping';

describe('what an installed bench keeps', () => {
  it('is what the bench is drawn with, and nothing else', () => {
    const all = ['/_astro/View.a1.js', '/icon.svg', '/icon-192.png', '/layers.css', '/api/ledger', '/_astro', '/shelf', '/bench-worker.js'];
    expect(all.filter(isPartOfBench)).to.deep.equal(['/_astro/View.a1.js', '/icon.svg', '/icon-192.png', '/layers.css']);
  });

  it('has the time it is by now: no tap falls behind the last one', async () => {
    const kept = Response.json({ now: 1000, seq: 7 }, { headers: { [KEPT_AT]: '50000' } });
    expect(await (await agedPicture(kept, 53_000)).json()).to.deep.equal({ now: 4000, seq: 7 });
    expect(await (await agedPicture(Response.json(null), 1)).json()).to.equal(null);
  });
});
