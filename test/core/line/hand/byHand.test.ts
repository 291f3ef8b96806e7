import { expect } from 'chai';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { readLineProblem } from '../../../../src/core/formats/lineProblem';
import { readOrder } from '../../../../src/core/line/problem/readOrder';
import { canKeep, carryOver, type OwnLine } from '../../../../src/core/line/hand/carryOver';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import type { LineProblem, LineWish } from '../../../../src/core/line/definitions';
import { moveByHand } from '../../../../src/core/line/hand/moveByHand';
import { placesFor } from '../../../../src/core/line/hand/places';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { wishesKept } from '../../../../src/core/line/problem/wishes';
import { Random, seeds } from '../../../support/random';

/** Free jobs, each on a tray of its own. */
const problemOf = (ids: string): LineProblem => ({
  format: 'neat-relay/line-problem@1',
  trays: Array.from(ids, (id) => ({ id: `t${id}`, models: 1 })),
  setups: [{ id: 's' }],
  start: [1],
  changeover: [[0]],
  jobs: Array.from(ids, (id) => ({ id, tray: `t${id}`, setup: 's', minutesPerModel: 1, dryMinutes: 1, after: [] })),
});
const pin = (jobs: string, after: string | null): LineWish => ({ kind: 'pin', jobs: [...jobs], after });
const own = (order: string, ...wishes: LineWish[]): OwnLine => ({ order: [...order], wishes });

describe('moving by hand', () => {
  it('takes the order as it is put and pins the run behind the job before it', () => {
    const { own: next, letGo } = moveByHand(problemOf('abcde'), own('abcde'), 3, 5, 1);
    expect(next).to.deep.equal(own('adebc', pin('de', 'a')));
    expect(letGo).to.deep.equal([]);
    expect(moveByHand(problemOf('abc'), own('abc'), 2, 3, 0).own).to.deep.equal(own('cab', pin('c', null)));
  });

  it('replaces an earlier pin of the same run without a word, and lets go what the new order breaks', () => {
    const pinned = own('abcde', pin('c', 'b'), pin('e', 'd'));
    const again = moveByHand(problemOf('abcde'), pinned, 2, 3, 0);
    expect(again.own).to.deep.equal(own('cabde', pin('e', 'd'), pin('c', null)));
    expect(again.letGo).to.deep.equal([]);
    const between = moveByHand(problemOf('abcde'), pinned, 0, 1, 4);
    expect(between.own.order.join('')).to.equal('bcdae');
    expect(between.letGo).to.deep.equal([pin('e', 'd')]);
  });

  it('keeps weights whatever is moved', () => {
    const first: LineWish = { kind: 'first', trays: ['ta'], weight: 1 };
    expect(moveByHand(problemOf('abc'), own('abc', first), 0, 1, 3).own.wishes).to.deep.equal([first, pin('a', 'c')]);
  });

  it('always leaves a line that can be read and kept, over many moves of a commission', () => {
    for (const seed of seeds(15)) {
      const random = new Random(seed);
      const problem = madeUpCommission(seed, { jobs: 24 });
      const solved = solveLine(compileLine(problem), { seed, steps: 300 });
      let line: OwnLine = { order: Array.from(solved.order, (job) => problem.jobs[job]!.id), wishes: [] };
      for (let round = 0; round < 12; round++) {
        const from = random.whole(0, 22);
        const end = from + random.whole(1, 2);
        const places = placesFor(compileLine(problem), readOrder(problem, line.order), from, end);
        if (places.length === 0) continue;
        line = moveByHand(problem, line, from, end, random.pick(places).to).own;
        const read = readLineProblem({ ...problem, wishes: line.wishes });
        expect(wishesKept(compileLine(read), readOrder(read, line.order)), `seed ${seed}`).to.not.include(false);
      }
      expect(line.wishes.length).to.be.greaterThan(0);
    }
  });
});

describe('carrying a line over', () => {
  it('leaves the same line as it is', () => {
    const line = own('acbd', pin('c', 'a'));
    expect(carryOver(problemOf('abcd'), line)).to.deep.equal(line);
  });

  it('leaves out what is done, and pins behind what stood before it', () => {
    expect(carryOver(problemOf('bcd'), own('bacd', pin('c', 'a')))).to.deep.equal(own('bcd', pin('c', 'b')));
    expect(carryOver(problemOf('cd'), own('acd', pin('c', 'a')))).to.deep.equal(own('cd', pin('c', null)));
    expect(carryOver(problemOf('ab'), own('abc', pin('c', 'b')))).to.deep.equal(own('ab'));
  });

  it('puts new jobs where they were entered', () => {
    expect(carryOver(problemOf('abxc'), own('cab')).order.join('')).to.equal('cabx');
    expect(carryOver(problemOf('xab'), own('ba')).order.join('')).to.equal('xba');
  });

  it('lets a wish go that what was entered since does not allow', () => {
    const problem = problemOf('abc');
    problem.jobs[0]!.after = [{ job: 'b', scope: 'tray' }];
    expect(carryOver(problem, own('abc', pin('a', null), pin('c', 'b')))).to.deep.equal(own('bca', pin('c', 'b')));
  });

  it('keeps trays that are still there first', () => {
    const first = (trays: string[]): LineWish => ({ kind: 'first', trays, weight: 2 });
    expect(carryOver(problemOf('ab'), own('abc', first(['tb', 'tc']))).wishes).to.deep.equal([first(['tb'])]);
    expect(carryOver(problemOf('ab'), own('abc', first(['tc']))).wishes).to.deep.equal([]);
  });

  it('knows which wishes can be kept at once', () => {
    const line = compileLine(problemOf('abc'));
    expect(canKeep(line, [pin('a', 'b'), pin('c', 'a')])).to.equal(true);
    expect(canKeep(line, [pin('a', 'b'), pin('c', 'b')])).to.equal(false);
    expect(canKeep(line, [pin('a', 'b'), { kind: 'together', jobs: ['a', 'c'] }])).to.equal(false);
  });
});
