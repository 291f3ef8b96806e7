import { expect } from 'chai';
import { SteadyClock } from '../../../../src/core/bench/replay/SteadyClock';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

describe('the clock of the bench', () => {
  let wall: number;
  let passed: number;
  let clock: SteadyClock;
  beforeEach(() => {
    wall = Date.parse('2026-11-23T19:00:00Z');
    passed = 0;
    clock = new SteadyClock(
      () => wall,
      () => passed,
    );
  });
  const pass = (milliseconds: number) => {
    wall += milliseconds;
    passed += milliseconds;
    return clock.now();
  };

  it('is the clock of the computer', () => {
    expect(pass(HOUR)).to.equal(wall);
    // It is corrected by a second now and then, and never runs backwards.
    wall += 1000;
    expect(clock.now()).to.equal(wall);
    wall -= 1500;
    expect(clock.now()).to.equal(wall + 1500);
  });

  for (const [what, jump] of [
    ['set back by an hour', -HOUR],
    ['set ahead by a year', 365 * 24 * HOUR],
  ] as const) {
    it(`counts what really passed in a sitting, when the clock is ${what}`, () => {
      const begin = pass(0);
      clock.tapped(begin);
      wall += jump;
      expect(pass(10 * MINUTE)).to.equal(begin + 10 * MINUTE);
      clock.tapped(clock.now());
      expect(pass(5 * MINUTE)).to.equal(begin + 15 * MINUTE);
      // When nobody has tapped for a night, the clock of the computer counts again.
      expect(pass(9 * HOUR)).to.equal(wall);
    });
  }

  it('forgets the taps of other data when it begins again', () => {
    clock.goOnFrom(wall + 30 * 24 * HOUR);
    expect(pass(0)).to.equal(wall + 30 * 24 * HOUR);
    clock.begin();
    expect(pass(MINUTE)).to.equal(wall);
    clock.tapped(wall);
    wall -= HOUR;
    expect(clock.now(), 'a sitting of its own').to.equal(wall + HOUR);
  });

  it('goes on from a last tap that is a little ahead, and not from one far ahead', () => {
    const ahead = wall + 40 * MINUTE;
    clock.tapped(ahead);
    expect(clock.now()).to.equal(ahead);
    expect(pass(MINUTE)).to.equal(ahead + MINUTE);
    clock.tapped(wall + 30 * 24 * HOUR);
    expect(clock.now()).to.equal(ahead + MINUTE);
  });
});
