import { expect } from 'chai';
import { aroundLikely, outlook, safetyMinutes } from '../../../src/core/time/forecast';
import { quantile } from '../../../src/core/time/quantile';
import { normMinutes } from '../../../src/core/time/norms';
import { SIZES, TECHNIQUES } from '../../../src/core/scheme/definitions';

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
  it('say how much more than likely is safe', () => {
    expect(safetyMinutes(draws)).to.equal(300);
    expect(safetyMinutes(new Float64Array())).to.equal(0);
  });

  it('are moved so that their middle is what the plan says', () => {
    const moved = aroundLikely(draws, 700).slice().sort();
    expect(quantile(moved, 0.5)).to.equal(700);
    expect(safetyMinutes(moved)).to.equal(300);
  });
});

describe('the outlook of a date', () => {
  const standing = (sessionMinutes: number, likely = 500) => outlook(draws, likely, sessionMinutes, 60);

  it('fits, is tight or too short by the share of simulations that meet it', () => {
    expect(standing(900)).to.deep.equal({ standing: 'fits', chance: 91 / 101, sessionMinutes: 900, queuedMinutes: 60 });
    expect(standing(500)).to.include({ standing: 'tight' });
    expect(standing(100)).to.include({ standing: 'short' });
  });

  it('is done when nothing is left', () => {
    expect(standing(0, 0).standing).to.equal('done');
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
