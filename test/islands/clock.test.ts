import { expect } from 'chai';
import { WindowClock } from '../../src/islands/client/clock';

describe('the clock of a window', () => {
  it('follows the server and what passes, whatever the device says', () => {
    let [wall, passed] = [5_000_000, 100];
    const clock = new WindowClock(
      () => wall,
      () => passed,
    );
    expect(clock.now()).to.equal(5_000_000);
    clock.hear(9_000_000);
    wall = 0;
    passed += 60_000;
    expect(clock.now()).to.equal(9_060_000);
    // What a message takes on its way does not make it jump.
    clock.hear(9_059_000);
    expect(clock.now()).to.equal(9_060_000);
    clock.hear(9_000_000);
    expect(clock.now()).to.equal(9_000_000);
  });
});
