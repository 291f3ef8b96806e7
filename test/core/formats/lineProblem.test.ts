import { expect } from 'chai';
import { InputError } from '../../../src/core/kernel/InputError';
import { readLineProblem } from '../../../src/core/formats/lineProblem';
import { readOrder } from '../../../src/core/line/problem/readOrder';
import type { LineProblem } from '../../../src/core/line/definitions';
import { examples } from '../../support/examples';
import { randomProblem } from '../../support/lineProblems';
import { seeds } from '../../support/random';

const good = () => structuredClone(examples[5]!.problem) as Required<LineProblem>;

function refusal(change: (problem: Required<LineProblem>) => void): InputError {
  const problem = good();
  change(problem);
  try {
    readLineProblem(problem);
  } catch (error) {
    if (error instanceof InputError) return error;
    throw error;
  }
  throw new Error('the problem was taken');
}

const any = (value: unknown) => value as never;

const CASES: [what: string, field: string, change: (problem: Required<LineProblem>) => void][] = [
  ['another format', 'format', (p) => (p.format = any('other@1'))],
  ['no jobs', 'jobs', (p) => (p.jobs = any(undefined))],
  ['an unknown tray', 'jobs[0].tray', (p) => (p.jobs[0]!.tray = 'nowhere')],
  ['an unknown setup', 'jobs[1].setup', (p) => (p.jobs[1]!.setup = 'nowhere')],
  ['an unknown tool', 'setups[0].tool', (p) => (p.setups[0]!.tool = 'nowhere')],
  ['an unknown predecessor', 'jobs[1].after[0].job', (p) => (p.jobs[1]!.after = [{ job: 'nowhere', scope: 'model' }])],
  ['an unknown preference', 'prefer[0].first', (p) => (p.prefer[0]!.first = 'nowhere')],
  ['a job twice', 'jobs[1].id', (p) => (p.jobs[1]!.id = p.jobs[0]!.id)],
  ['an empty id', 'trays[0].id', (p) => (p.trays[0]!.id = '')],
  ['a negative drying', 'jobs[0].dryMinutes', (p) => (p.jobs[0]!.dryMinutes = -5)],
  ['an infinite drying', 'jobs[0].dryMinutes', (p) => (p.jobs[0]!.dryMinutes = Infinity)],
  ['minutes as text', 'jobs[0].minutesPerModel', (p) => (p.jobs[0]!.minutesPerModel = any('2'))],
  ['negative minutes of one model', 'jobs[0].minutesPerModel[3]', (p) => (p.jobs[0]!.minutesPerModel = [1, 1, 1, -1, 1, 1, 1, 1, 1, 1])],
  ['minutes for too few models', 'jobs[0].minutesPerModel', (p) => (p.jobs[0]!.minutesPerModel = [1, 2])],
  ['an empty tray', 'trays[0].models', (p) => (p.trays[0]!.models = 0)],
  ['half a model', 'trays[0].models', (p) => (p.trays[0]!.models = 2.5)],
  ['a position the tray does not have', 'jobs[0].models[1]', (p) => (p.jobs[0]!.models = [1, 11])],
  ['positions out of order', 'jobs[0].models[1]', (p) => (p.jobs[0]!.models = [3, 2])],
  ['a job on no model', 'jobs[0].models', (p) => (p.jobs[0]!.models = [])],
  ['a ragged matrix', 'changeover[1]', (p) => p.changeover[1]!.pop()],
  ['a missing row', 'changeover', (p) => p.changeover.pop()],
  ['a cost of keeping a setup', 'changeover[0][0]', (p) => (p.changeover[0]![0] = 1)],
  ['a negative changeover', 'changeover[0][1]', (p) => (p.changeover[0]![1] = -1)],
  ['too few starts', 'start', (p) => p.start.pop()],
  [
    'a cycle',
    'jobs[0].after',
    (p) => ((p.jobs[0]!.after = [{ job: 'b', scope: 'model' }]), (p.jobs[1]!.after = [{ job: 'a', scope: 'model' }])),
  ],
  ['a job after itself', 'jobs[0].after', (p) => (p.jobs[0]!.after = [{ job: 'a', scope: 'model' }])],
  ['a session that ends before it begins', 'sessions[0].to', (p) => (p.sessions = [{ from: 10, to: 5 }])],
  [
    'sessions that overlap',
    'sessions[1].from',
    (p) =>
      (p.sessions = [
        { from: 0, to: 20 },
        { from: 10, to: 30 },
      ]),
  ],
  ['another scope', 'jobs[1].after[0].scope', (p) => (p.jobs[1]!.after = [{ job: 'a', scope: any('unit') }])],
  ['no copies of a tool', 'tools[0].count', (p) => (p.tools[0]!.count = 0)],
];

describe('reading a line problem', () => {
  for (const [what, field, change] of CASES) {
    it(`refuses ${what}, naming ${field} and what to do`, () => {
      const error = refusal(change);
      expect(error.field).to.equal(field);
      expect(error.message).to.match(/ is .+: .+/s);
      expect(error.message).not.to.include('\n');
    });
  }

  it('refuses scope "model" across trays', () => {
    const error = refusal((p) => {
      p.trays.push({ id: 'other', models: 10 });
      p.jobs[1]!.tray = 'other';
      p.jobs[1]!.after = [{ job: 'a', scope: 'model' }];
    });
    expect(error.field).to.equal('jobs[1].after[0].scope');
  });

  it('names the jobs of a cycle', () => {
    const error = refusal((p) => {
      p.jobs[0]!.after = [{ job: 'b', scope: 'model' }];
      p.jobs[1]!.after = [{ job: 'a', scope: 'model' }];
    });
    expect(error.value).to.have.members(['a', 'b']);
  });

  it('takes every good problem as it is', () => {
    for (const { problem } of examples) expect(readLineProblem(problem)).to.deep.equal(problem);
    for (const seed of seeds(50)) expect(readLineProblem(randomProblem(seed))).to.deep.equal(randomProblem(seed));
  });

  it('reads empty optional lists as if they were left out', () => {
    const problem = { ...good(), prefer: [], sessions: [] };
    expect(readLineProblem(problem).sessions).to.deep.equal([]);
  });

  it('refuses what is no problem at all', () => {
    for (const value of [null, 3, 'text', []]) expect(() => readLineProblem(value), JSON.stringify(value)).to.throw(InputError);
  });
});

describe('reading an order', () => {
  const problem = examples[0]!.problem;
  const ORDERS: [what: string, value: unknown, message: RegExp][] = [
    ['an unknown job', ['a', 'x'], /order\[1\] is "x": name a job/],
    ['a job twice', ['a', 'a'], /order\[1\] is "a": list every job once/],
    ['a missing job', ['a'], /"b" is not in it/],
    ['a job before the one it waits for', ['b', 'a'], /order\[0\] is "b": put it after "a"/],
    ['no list', { orders: [] }, /order is missing/],
    ['a number', [0, 1], /order\[0\] is 0/],
  ];
  for (const [what, value, message] of ORDERS)
    it(`refuses ${what}`, () => expect(() => readOrder(problem, value)).to.throw(InputError, message));

  it('takes a list, or an object that holds one', () => {
    expect([...readOrder(problem, ['a', 'b'])]).to.deep.equal([0, 1]);
    expect([...readOrder(problem, { order: ['a', 'b'] })]).to.deep.equal([0, 1]);
  });
});
