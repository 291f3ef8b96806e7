import { expect } from 'chai';
import { minutesLeft, outlook } from '../../../src/core/time/forecast';
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

describe('what is left', () => {
  it('adds the minutes that are not hands-on to every course', () => {
    expect(minutesLeft(draws, 60)).to.include({ likely: 560, safe: 860 });
  });
});

describe('the outlook of a date', () => {
  const left = minutesLeft(draws, 0);
  const standing = (sessionMinutes: number) => outlook([{ left, sessionMinutes }])[0]!;

  it('fits, is tight or too short by the share of courses that meet it', () => {
    expect(standing(900)).to.include({ standing: 'fits', chance: 91 / 101 });
    expect(standing(500)).to.include({ standing: 'tight' });
    expect(standing(100)).to.include({ standing: 'short' });
  });

  it('lets work that is due earlier use the sessions first', () => {
    const [first, second] = outlook([
      { left, sessionMinutes: 1000 },
      { left, sessionMinutes: 1000 },
    ]);
    expect(first!.standing).to.equal('fits');
    expect(second).to.include({ queuedMinutes: 500, chance: 51 / 101 });
  });

  it('is done when nothing is left', () => {
    expect(outlook([{ left: minutesLeft(new Float64Array(10), 0), sessionMinutes: 0 }])[0]!.standing).to.equal('done');
    expect(outlook([])).to.deep.equal([]);
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
