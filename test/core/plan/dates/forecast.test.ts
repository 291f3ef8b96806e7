import { expect } from 'chai';
import { doneDates, drawFactors, safeMinutes, standingOf } from '../../../../src/core/plan/dates/forecast';
import { quantile } from '../../../../src/core/kernel/quantile';
import { normMinutes } from '../../../../src/core/time/fit/norms';
import { SIZES } from '../../../../src/core/scheme/model/definitions';
import { TECHNIQUES } from '../../../../src/core/scheme/model/techniques';

const draws = Float64Array.from({ length: 101 }, (_, index) => index * 10);

describe('quantiles', () => {
  it('interpolate as type 7 does', () => {
    // The example of R's quantile(c(1, 2, 4, 8), 0.5 and 0.8).
    expect(quantile([1, 2, 4, 8], 0.5)).to.equal(3);
    expect(quantile([1, 2, 4, 8], 0.8)).to.be.closeTo(5.6, 1e-12);
    expect(() => quantile([], 0.5)).to.throw('no values');
  });
});

describe('simulated minutes', () => {
  it('say what is safe, never less than the plan', () => {
    const plan = (handsOn: number) => ({ handsOn, setUp: 10, waiting: 5, touchUp: 1 });
    expect(safeMinutes(plan(500), draws)).to.equal(816);
    expect(safeMinutes(plan(900), draws)).to.equal(916);
    expect(safeMinutes(plan(0), new Float64Array())).to.equal(16);
  });

  it('are factors on the middle one', () => {
    expect(quantile(drawFactors(draws).slice().sort(), 0.5)).to.equal(1);
    expect(drawFactors(draws)[100]).to.equal(2);
    expect([...drawFactors(new Float64Array(2))]).to.deep.equal([1, 1]);
  });
});

describe('the dates of work', () => {
  const MINUTE = 60_000;

  it('are likely by the plan, and safe in four draws of five', () => {
    expect(doneDates(draws, 500, 900, 0)).to.deep.equal({ chance: 91 / 101, likelyAt: 500 * MINUTE, safeAt: 800 * MINUTE });
    expect(doneDates(draws, 950, 900, 0).safeAt, 'never before the plan').to.equal(950 * MINUTE);
  });

  it('are no moments where no sessions hold the work', () => {
    expect(doneDates(draws, 500, 500, null)).to.deep.equal({ chance: 51 / 101, likelyAt: null, safeAt: null });
    expect(doneDates(new Float64Array(4).fill(Infinity), 500, 500, 0)).to.deep.equal({ chance: 0, likelyAt: 500 * MINUTE, safeAt: null });
  });

  it('fit, are tight or too short by the share of draws that meet them', () => {
    expect([0.9, 0.8, 0.5, 0.1].map((chance) => standingOf(500, chance))).to.deep.equal(['fits', 'fits', 'tight', 'short']);
    expect(standingOf(0, 0), 'nothing is left').to.equal('done');
  });
});

describe('norms', () => {
  it('are positive for every technique and size and grow with the surface', () => {
    for (const technique of TECHNIQUES) {
      for (const size of SIZES) {
        expect(normMinutes(technique, size, 0), `${technique} ${size}`).to.be.at.least(0);
        expect(normMinutes(technique, size, 1)).to.be.at.least(normMinutes(technique, size, 0.1));
      }
    }
  });
});
