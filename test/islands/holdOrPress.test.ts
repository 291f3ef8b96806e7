import { expect } from 'chai';
import { mock } from 'node:test';
import { HoldOrPress } from '../../src/islands/client/taps/HoldOrPress';

describe('a button that can be held', () => {
  let said: string[];
  let button: HoldOrPress;
  beforeEach(() => {
    mock.timers.enable({ apis: ['setTimeout'] });
    said = [];
    button = new HoldOrPress();
    button.mean(
      () => said.push('press'),
      () => said.push('hold'),
    );
  });
  afterEach(() => mock.timers.reset());

  it('is pressed when it is let go soon', () => {
    button.down();
    mock.timers.tick(799);
    expect(said).to.deep.equal([]);
    button.up();
    mock.timers.tick(5000);
    expect(said).to.deep.equal(['press']);
  });

  it('means the other thing as soon as it is held, and nothing more when it is let go', () => {
    button.down();
    mock.timers.tick(800);
    expect(said).to.deep.equal(['hold']);
    button.up();
    expect(said).to.deep.equal(['hold']);
  });

  it('means nothing when the finger slides off, and counts once however often the key repeats', () => {
    button.down();
    button.cancel();
    button.up();
    mock.timers.tick(5000);
    expect(said).to.deep.equal([]);
    for (let repeat = 0; repeat < 5; repeat++) button.down();
    button.up();
    button.up();
    expect(said).to.deep.equal(['press']);
  });
});
