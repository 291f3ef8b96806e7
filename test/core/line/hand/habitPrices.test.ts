import { expect } from 'chai';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { brokenHabits, habitPrices } from '../../../../src/core/line/hand/habitPrices';

/** Two paints on one model: a habit wants b before a, and going there and back costs two changeovers. */
const problem = (after: LineProblem['jobs'][number]['after'] = []): LineProblem => ({
  format: 'neat-relay/line-problem@3',
  trays: [{ id: 't', models: 2 }],
  setups: [{ id: 's0' }, { id: 's1' }],
  start: [1, 1],
  changeover: [
    [0, 3],
    [5, 0],
  ],
  jobs: [
    { id: 'a', tray: 't', setup: 's0', minutesPerModel: 1, dryMinutes: 0, after: [] },
    { id: 'b', tray: 't', setup: 's1', minutesPerModel: 1, dryMinutes: 0, after },
  ],
  prefer: [
    { first: 'b', then: 'a', minutes: 0.5, wish: true },
    { first: 'b', then: 'a', minutes: 1 },
  ],
  weights: { bench: 1, span: 0, leg: 0 },
});
const RULES = ['rim-last', 'strays'];
const OPTIONS = { seed: 1, steps: 100 };

describe('habits that an order breaks', () => {
  it('are told by their rules, with their pairs and minutes, touch-up aside', () => {
    expect(brokenHabits(problem(), RULES, [0, 1])).to.deep.equal([{ rule: 'rim-last', pairs: 1, minutes: 0.5 }]);
    expect(brokenHabits(problem(), RULES, [1, 0])).to.deep.equal([]);
  });

  it('have the price of the best order that keeps them', () => {
    // Start 1, 2 of work, 3 over, 2 of work, 1 to paint again; the other way round 5 over and nothing to paint again.
    const [price] = habitPrices(problem(), RULES, ['rim-last'], [0, 1], OPTIONS);
    expect(price!.change!.bench).to.be.closeTo(5 - 3 - 1, 1e-9);
    expect(price!.change!.late).to.equal(0);
  });

  it('cannot be kept everywhere against what must come first', () => {
    const hard = problem([{ job: 'a', scope: 'model' }]);
    expect(habitPrices(hard, RULES, ['rim-last'], [0, 1], OPTIONS)).to.deep.equal([{ rule: 'rim-last', change: null }]);
  });
});
