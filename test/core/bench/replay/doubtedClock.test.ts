import { expect } from 'chai';
import { movedBackBy, whomToBelieve } from '../../../../src/core/bench/replay/doubtedClock';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.parse('2026-12-20T18:00:00Z');
const EARLIEST = Date.parse('2026-11-29T00:00:00Z');
const believe = (last: number, before: number | null, ahead: number | null) =>
  whomToBelieve(
    { last: NOW + last, before: before === null ? null : NOW + before, ahead: ahead === null ? null : NOW + ahead },
    NOW,
    EARLIEST,
  );

describe('taps ahead of the clock', () => {
  it('are believed where the clock is behind by hours, by days of work, or was reset', () => {
    expect(believe(-DAY, -DAY, null)).to.equal('both');
    expect(believe(5 * HOUR, -HOUR, HOUR), 'local time').to.equal('taps');
    expect(believe(3 * DAY, -20 * HOUR, 3 * HOUR), 'three evenings').to.equal('taps');
    const reset = Date.parse('2015-01-01T00:00:00Z');
    expect(whomToBelieve({ last: NOW, before: null, ahead: NOW - HOUR }, reset, EARLIEST)).to.equal('taps');
  });

  it('are moved back where a single sitting, or all after a long silence, lies far ahead', () => {
    expect(believe(3 * DAY, -20 * HOUR, 3 * DAY - 2 * HOUR)).to.equal('clock');
    expect(believe(400 * DAY, -DAY, 390 * DAY)).to.equal('clock');
    expect(believe(400 * DAY, null, 400 * DAY)).to.equal('clock');
  });

  it('come behind the others, and before now where there is room', () => {
    const around = { last: NOW + 73 * HOUR, before: NOW - 5 * HOUR, ahead: NOW + 70 * HOUR };
    expect(movedBackBy(around, NOW)).to.equal(-73 * HOUR - 1);
    expect(movedBackBy({ ...around, before: NOW - HOUR }, NOW)).to.equal(-71 * HOUR + 1);
    expect(movedBackBy({ ...around, before: null }, NOW)).to.equal(-73 * HOUR - 1);
  });
});
