import { expect } from 'chai';
import fc from '../../support/property';
import { minuteTicks, roundTicks } from '../../../src/islands/shared/chart/ticks';
import { paceAnswer } from '../../../src/islands/Ledger/PaceChart';
import { heldAnswer } from '../../../src/islands/Ledger/insights/WasItRight';
import { groupsAnswer } from '../../../src/islands/Ledger/insights/Pace';
import type { TechniquePace } from '../../../src/contract/log';

describe('the ticks of a chart', () => {
  it('stand on round minutes, hours and days', () => {
    expect(minuteTicks(100)).to.deep.equal([0, 30, 60, 90, 120]);
    expect(minuteTicks(400, 3)).to.deep.equal([0, 240, 480]);
    expect(minuteTicks(0.3)).to.deep.equal([0, 0.1, 0.2, 0.3]);
    expect(roundTicks(0, 1.36, 4)).to.deep.equal([0, 0.5, 1, 1.5]);
    expect(roundTicks(-0.12, 0.3, 4)[0]).to.be.at.most(-0.12);
  });

  it('hold every value, and are few', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 100_000, noNaN: true }), (longest) => {
        const ticks = minuteTicks(longest);
        expect(ticks[0]).to.equal(0);
        expect(ticks.at(-1)).to.be.at.least(longest - 1e-6);
        expect(ticks.length).to.be.within(2, 6);
      }),
      { seed: 20261201 },
    );
  });
});

describe('the answer above a chart', () => {
  const pace = (label: string, ratio: number): TechniquePace => ({ technique: 'wash', label, models: 9, ratio });

  it('names who is farthest from the default, either way', () => {
    expect(paceAnswer([pace('Wash', 1.5), pace('Layer', 0.8), pace('Edge line', 1.1)])).to.equal(
      'Longest against our default: wash (×1.50). Shortest: layer (×0.80).',
    );
    expect(paceAnswer([pace('Wash', 1.01)])).to.equal('Much as long as our default, in 1 technique.');
  });

  it('says whether estimates held', () => {
    expect(heldAnswer({ rows: 50, safe: 41, inside: 40 })).to.match(/^Yes: 82 of 100/);
    expect(heldAnswer({ rows: 50, safe: 30, inside: 20 })).to.match(/^Too short: 60 of 100/);
    expect(heldAnswer({ rows: 50, safe: 49, inside: 49 })).to.match(/^Too cautious: 98 of 100/);
    expect(heldAnswer({ rows: 0, safe: 0, inside: 0 })).to.match(/^Nobody can say yet/);
  });

  it('tells only what is more than chance', () => {
    const group = (name: string, more: number, isClear: boolean) => ({ name, rows: 20, more, isClear });
    expect(groupsAnswer('hour', [group('19 to 20', 0.12, true), group('20 to 21', 0.3, false), group('22 to 23', -0.2, true)])).to.equal(
      'By hour: 19 to 20 takes 12% longer, 22 to 23 takes 20% less.',
    );
  });
});
