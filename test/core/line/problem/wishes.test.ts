import { expect } from 'chai';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { InputError } from '../../../../src/core/kernel/InputError';
import { readLineProblem } from '../../../../src/core/formats/lineProblem';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import type { LineProblem, LineWish } from '../../../../src/core/line/definitions';
import { OrderJudge } from '../../../../src/core/line/search/OrderJudge';
import { OrderMoves } from '../../../../src/core/line/search/OrderMoves';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { planLine } from '../../../support/line';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { arrangeByWishes, wishesKept, wishMinutes } from '../../../../src/core/line/problem/wishes';
import { wishPrices } from '../../../../src/core/line/hand/wishPrices';
import { examples } from '../../../support/examples';
import { Random, seeds } from '../../../support/random';

/** Three free jobs of a tray each, and one that waits for the first. */
const PROBLEM: LineProblem = {
  format: 'neat-relay/line-problem@1',
  trays: ['a', 'b', 'c', 'd'].map((id) => ({ id: `t${id}`, models: 2 })),
  setups: [{ id: 's0' }, { id: 's1' }],
  start: [2, 2],
  changeover: [
    [0, 3],
    [3, 0],
  ],
  jobs: [
    { id: 'a', tray: 'ta', setup: 's0', minutesPerModel: 1, dryMinutes: 5, after: [] },
    { id: 'b', tray: 'tb', setup: 's1', minutesPerModel: 1, dryMinutes: 5, after: [] },
    { id: 'c', tray: 'tc', setup: 's0', minutesPerModel: 1, dryMinutes: 5, after: [] },
    { id: 'd', tray: 'td', setup: 's1', minutesPerModel: 1, dryMinutes: 5, after: [{ job: 'a', scope: 'tray' }] },
  ],
};
const wishing = (...wishes: LineWish[]): LineProblem => ({ ...PROBLEM, wishes });
const indexes = (ids: string) => Int32Array.from(ids, (id) => PROBLEM.jobs.findIndex((job) => job.id === id));
const arranged = (problem: LineProblem, ids = 'abcd') =>
  Array.from(arrangeByWishes(compileLine(readLineProblem(problem)), indexes(ids)) ?? [], (job) => PROBLEM.jobs[job]!.id).join('');

describe('wishes', () => {
  it('are left out of a problem that has none', () => {
    expect(planLine(PROBLEM, { seed: 1, steps: 10 })).not.to.have.property('wishesKept');
  });

  it('put a pinned run directly behind its job, or at the start', () => {
    expect(arranged(wishing({ kind: 'pin', jobs: ['c', 'b'], after: 'a' }))).to.equal('acbd');
    expect(arranged(wishing({ kind: 'pin', jobs: ['b'], after: null }))).to.equal('bacd');
    expect(arranged(wishing({ kind: 'pin', jobs: ['a'], after: 'b' }, { kind: 'pin', jobs: ['d'], after: 'a' }))).to.equal('badc');
  });

  it('keep jobs together in the order they had', () => {
    expect(arranged(wishing({ kind: 'together', jobs: ['d', 'b'] }))).to.equal('abdc');
    expect(arranged(wishing({ kind: 'together', jobs: ['a', 'd'] }), 'abcd')).to.equal('adbc');
  });

  it('weigh the finish of trays that come first', () => {
    const line = compileLine(wishing({ kind: 'first', trays: ['tb', 'tc'], weight: 0.5 }));
    const ends = [10, 20, 30, 40];
    expect(
      wishMinutes(
        line,
        (place) => place,
        (job) => ends[job]!,
      ),
    ).to.equal(15);
  });

  it('count models without a treat, and none behind the last one', () => {
    const line = compileLine(wishing({ kind: 'treat', jobs: ['c'], everyModels: 3, minutes: 2 }));
    expect(
      wishMinutes(
        line,
        (place) => place,
        () => 0,
      ),
    ).to.equal(2);
    const early = indexes('cabd');
    expect(
      wishMinutes(
        line,
        (place) => early[place]!,
        () => 0,
      ),
    ).to.equal(0);
    expect(wishesKept(line, indexes('abcd'))).to.deep.equal([false]);
    expect(wishesKept(line, early)).to.deep.equal([true]);
  });

  it('are kept by every move of a search', () => {
    for (const seed of seeds(40)) {
      const random = new Random(seed);
      const problem = madeUpCommission(seed, { jobs: 24 });
      const order = solveLine(compileLine(problem), { seed, steps: 200 }).order;
      const id = (place: number) => problem.jobs[order[place]!]!.id;
      const at = random.whole(1, 8);
      const wishes: LineWish[] = [
        { kind: 'pin', jobs: [id(at), id(at + 1)], after: id(at - 1) },
        { kind: 'together', jobs: [id(at + 4), id(at + 5), id(at + 6)] },
        { kind: 'pin', jobs: [id(22)], after: id(21) },
      ];
      const line = compileLine(readLineProblem({ ...problem, wishes }));
      const judge = new OrderJudge(line);
      judge.take(arrangeByWishes(line, order)!);
      const moves = new OrderMoves(line, judge.order, judge.position, () => random.uniform());
      let made = 0;
      for (let round = 0; round < 300; round++) {
        if (!moves.draw()) continue;
        judge.judge(moves.move.from, moves.move.end, moves.move.to, Infinity);
        judge.accept();
        made++;
        expect(wishesKept(line, judge.order), `seed ${seed}`).to.deep.equal([true, true, true]);
      }
      expect(made).to.be.greaterThan(50);
      expect(judge.cost).to.be.closeTo(new OrderJudge(line).take(judge.order), 1e-6);
    }
  });

  it('cost what the search loses by them, and nothing when it keeps them anyway', () => {
    const { problem } = examples[11]!;
    const free = solveLine(compileLine(problem), { seed: 1, steps: 20_000 });
    const ids = Array.from(free.order, (job) => problem.jobs[job]!.id);
    const last = ids.findLast((id) => problem.jobs.find((job) => job.id === id)!.after.length === 0)!;
    const wished: LineProblem = {
      ...problem,
      wishes: [
        { kind: 'pin', jobs: [ids[1]!], after: ids[0]! },
        { kind: 'pin', jobs: [last], after: null },
      ],
    };
    const problemRead = ids[0] === last ? { ...wished, wishes: [wished.wishes![0]!] } : readLineProblem(wished);
    const solved = solveLine(compileLine(problemRead), { seed: 1, steps: 20_000 });
    const prices = wishPrices(problemRead, solved.order, { seed: 1, steps: 20_000 });
    const total = (order: Int32Array) => {
      const timed = timeOrder(compileLine(problem), order);
      return timed.fits ? timed.totals.total : Infinity;
    };
    for (const { minutes } of prices) expect(minutes).to.be.within(0, Math.max(0, total(solved.order) - total(free.order)) + 1);
    expect(prices).to.have.length(problemRead.wishes!.length);
  });

  it('finish the trays that come first earlier, for a weight that is worth it', () => {
    const problem = madeUpCommission(2, { jobs: 40 });
    const endOf = (wishes: LineWish[]) => {
      const plan = planLine({ ...problem, wishes }, { seed: 1, steps: 20_000 });
      if (!plan.fits) throw new Error('one endless session holds everything');
      const own = new Set(problem.jobs.filter((job) => job.tray === 'tray 4').map((job) => job.id));
      return Math.max(...plan.jobs.filter((job) => own.has(job.id)).map((job) => job.end));
    };
    expect(endOf([{ kind: 'first', trays: ['tray 4'], weight: 3 }])).to.be.lessThan(endOf([]) / 2);
  });

  it('do not keep a small line from being proven, when they cost nothing', () => {
    const plan = planLine(wishing({ kind: 'pin', jobs: ['c'], after: 'a' }), { seed: 1, steps: 3000 });
    expect(plan).to.include({ proven: true });
    expect(plan).to.have.deep.property('wishesKept', [true]);
  });

  it('are told of in the plan', () => {
    const problem = readLineProblem(wishing({ kind: 'pin', jobs: ['b'], after: 'a' }, { kind: 'together', jobs: ['c', 'd'] }));
    expect(planOrder(compileLine(problem), indexes('acbd'))).to.have.deep.property('wishesKept', [false, false]);
  });

  const BAD: [what: string, wishes: unknown, message: RegExp][] = [
    ['no known kind', [{ kind: 'soon' }], /^wishes\[0\]\.kind is "soon": give one of pin, together, first, treat, variety$/],
    [
      'a group of a tray that is not there',
      [{ kind: 'variety', groups: [['nowhere']], mostModels: 4, minutes: 1 }],
      /^wishes\[0\]\.groups\[0\]\[0\] is "nowhere"/,
    ],
    ['no list', { kind: 'pin' }, /^wishes is /],
    ['an unknown job', [{ kind: 'pin', jobs: ['x'], after: null }], /^wishes\[0\]\.jobs\[0\] is "x": name one/],
    ['an unknown job behind', [{ kind: 'pin', jobs: ['a'], after: 'x' }], /^wishes\[0\]\.after is "x": name one/],
    ['no word of what it is behind', [{ kind: 'pin', jobs: ['a'] }], /^wishes\[0\]\.after is missing/],
    ['no job', [{ kind: 'together', jobs: [] }], /^wishes\[0\]\.jobs is \[\]: give at least 1/],
    ['an unknown tray', [{ kind: 'first', trays: ['x'], weight: 1 }], /^wishes\[0\]\.trays\[0\] is "x"/],
    ['a negative weight', [{ kind: 'first', trays: ['ta'], weight: -1 }], /^wishes\[0\]\.weight is -1/],
    ['a treat after no models', [{ kind: 'treat', jobs: ['a'], everyModels: 0, minutes: 1 }], /^wishes\[0\]\.everyModels is 0/],
    ['a job in two pins', [pin('a', null), pin('a', 'b')], /^wishes\[1\]\.jobs\[0\] is "a": pin or keep/],
    ['two pins behind one job', [pin('b', 'a'), pin('c', 'a')], /^wishes\[1\]\.after is "a": let only one/],
    ['a tray in two', [{ kind: 'first', trays: ['ta', 'ta'], weight: 1 }], /^wishes\[0\]\.trays\[1\] is "ta"/],
    ['a pin that predecessors forbid', [pin('d', null)], /^wishes\[0\] is .*: leave it out/],
    ['a circle of pins', [pin('b', 'c'), pin('c', 'b')], /^wishes\[1\] is .*: leave it out/],
  ];
  function pin(job: string, after: string | null) {
    return { kind: 'pin', jobs: [job], after };
  }
  for (const [what, wishes, message] of BAD) {
    it(`are refused with ${what}`, () => {
      expect(() => readLineProblem({ ...PROBLEM, wishes })).to.throw(InputError, message);
    });
  }
});
