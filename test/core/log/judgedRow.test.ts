import { expect } from 'chai';
import { judgementOn } from '../../../src/core/log/judgedRow';

const corrected = { verdict: 'counts', correctedMinutes: 8, ofModels: 4, ofMinutes: 5 } as const;
const row = { models: 4, minutes: 5, open: null };

describe('a correction', () => {
  it('holds for what it was made of, and lets the row grow by what is measured since', () => {
    expect(judgementOn(row, corrected).correctedMinutes).to.equal(8);
    expect(judgementOn({ ...row, models: 6, minutes: 9 }, corrected).correctedMinutes).to.equal(12);
  });

  it('shrinks with the models that are taken back', () => {
    expect(judgementOn({ ...row, models: 3, minutes: 4 }, corrected).correctedMinutes).to.equal(6);
  });

  it('is asked for again where more models came without a time', () => {
    const grown = { models: 6, minutes: 0.1, open: 'late' } as const;
    expect(judgementOn(grown, corrected)).to.deep.equal({ verdict: 'unsure', correctedMinutes: null });
    expect(judgementOn({ ...grown, models: 4 }, corrected).correctedMinutes).to.equal(8);
  });

  it('of an earlier version is of the row as it is', () => {
    expect(judgementOn({ ...row, models: 9 }, { ...corrected, ofModels: null, ofMinutes: null })).to.deep.equal({
      verdict: 'counts',
      correctedMinutes: 8,
    });
  });
});
