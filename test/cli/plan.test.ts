import { expect } from 'chai';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { LineJob, LinePlan, LineProblem } from '../../src/core/line/definitions';
import { runCommand, runInShell } from '../support/command';
import { temporaryFolder } from '../support/temporaryFolder';
import { examples, TOTALS } from '../support/examples';

const run = (args: string[]) => runCommand('plan', ...args);

describe('the command line', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  const write = (name: string, value: unknown) => {
    mkdirSync(folder, { recursive: true });
    const file = path.join(folder, name);
    writeFileSync(file, typeof value === 'string' ? value : JSON.stringify(value));
    return file;
  };

  for (const { file, problem, order, expected } of examples) {
    it(`times ${file} exactly`, async () => {
      const { stdout, status } = await run([write('problem.json', problem), '--order', write('order.json', { order })]);
      expect(status).to.equal(0);
      const plan = JSON.parse(stdout) as LinePlan;
      for (const key of TOTALS) if (expected[key] !== undefined) expect(plan[key], key).to.be.closeTo(expected[key], 1e-6);
      expect(plan.jobs.map((job) => job.id)).to.deep.equal(order);
      expect(plan.bound).to.be.at.most(plan.total);
      if (expected.due)
        expect(plan.due.map(({ id, end }) => ({ id, end }))).to.deep.equal(expected.due.map(({ id, end }) => ({ id, end })));
    });
  }

  it('searches a problem from standard input, the same way for the same steps', () => {
    const input = JSON.stringify(examples[11]!.problem);
    const once = runInShell('plan', ['-', '--steps', '500', '--seed', '4'], input);
    expect(once.status).to.equal(0);
    expect((JSON.parse(once.stdout) as LinePlan).total).to.be.lessThan(examples[11]!.expected.total!);
    expect(runInShell('plan', ['-', '--steps', '500', '--seed', '4'], input).stdout).to.equal(once.stdout);
  });

  it('stops after the seconds given and tells of every improvement', () => {
    const input = JSON.stringify(examples[10]!.problem);
    const { stderr, status } = runInShell('plan', ['-', '--seconds', '0.2', '--progress'], input);
    expect(status).to.equal(0);
    expect(stderr).to.match(/^step 0: [\d.]+ min, at least [\d.]+ min, \d+ steps\/s$/m);
  });

  const good = examples[0]!.problem;
  const CASES: [what: string, args: () => string[], message: RegExp][] = [
    [
      'a bad value',
      () => [write('bad.json', { ...good, start: [4, -2] })],
      /^start\[1\] is -2: give a number of minutes from 0 to 1000000\n$/,
    ],
    ...badProblems(good).map(([what, problem, message]): [string, () => string[], RegExp] => [
      what,
      () => [write('bad.json', problem), '--steps', '10'],
      message,
    ]),
    [
      'sessions that are too short',
      () => [write('short.json', { ...good, sessions: [{ from: 0, to: 30 }] })],
      /^sessions is 1: .*at least 15\.5 minutes are missing\n$/,
    ],
    [
      'an order that breaks a rule',
      () => [write('good.json', good), '--order', write('wrong.json', ['b', 'a'])],
      /^order\[0\] is "b": put it after "a", which it waits for\n$/,
    ],
    ['a file that is not there', () => [path.join(folder, 'nowhere.json')], /^FILE is .*: there is none of that name\n$/],
    ['no JSON', () => [write('text.json', 'not json')], /give valid JSON/],
    ['no file', () => [], /^FILE is \[\]: give one file/],
    ['seconds and steps together', () => ['x', '--seconds', '1', '--steps', '1'], /^--seconds is "1": give either/],
    ['steps that are no number', () => ['x', '--steps', 'many'], /^--steps is "many": give a whole number/],
    ['a seed below 0', () => ['x', '--seed', '-1'], /^--seed is "-1": give a whole number that is 0 or more\n$/],
    ['a number as machines write it', () => ['x', '--seconds', '0x10'], /^--seconds is "0x10": give a number of seconds/],
    ['a folder', () => [folder], /^FILE is .*: this is a folder\n$/],
    ['a file nested without end', () => [write('deep.json', '['.repeat(200_000))], /nest lists and objects at most 64 deep\n$/],
    ['a field that every object has', () => [write('inherited.json', { ...good, constructor: 1 })], /is "constructor": leave it out/],
    ['an unknown option', () => ['x', '--fast'], /--fast/],
  ];
  for (const [what, args, message] of CASES) {
    it(`refuses ${what} in one line with exit code 1`, async () => {
      const { stdout, stderr, status } = await run(args());
      expect(status).to.equal(1);
      expect(stdout).to.equal('');
      expect(stderr).to.match(message);
      expect(stderr.trimEnd()).not.to.include('\n');
    });
  }
});

/** One problem of every kind that the format refuses. Written as text where JSON has no word for the value. */
function badProblems(good: LineProblem): [what: string, problem: unknown, message: RegExp][] {
  const [first, second] = good.jobs as [LineJob, LineJob];
  const jobs = (...changed: unknown[]) => ({ ...good, jobs: changed });
  const endless = JSON.stringify(jobs({ ...first, dryMinutes: 424242 }, second)).replace('424242', '1e999');
  return [
    ['an unknown setup', jobs({ ...first, setup: 'none' }, second), /^jobs\[0\]\.setup is "none": name one/],
    [
      'an unknown job to wait for',
      jobs(first, { ...second, after: [{ job: 'none', scope: 'tray' }] }),
      /^jobs\[1\]\.after\[0\]\.job is "none"/,
    ],
    [
      'a cycle',
      jobs({ ...first, after: [{ job: second.id, scope: 'tray' }] }, second),
      /^jobs\[0\]\.after is \["a","b"\]: break the circle/,
    ],
    ['a number that is not finite', endless, /^jobs\[0\]\.dryMinutes is Infinity: /],
    ['a ragged matrix', { ...good, changeover: [[0], [5, 0]] }, /^changeover\[0\] is \[0\]: give a list with one number for each set-up/],
    [
      'a wait for a model across trays',
      { ...good, trays: [...good.trays, { id: 't2', models: 10 }], jobs: [first, { ...second, tray: 't2' }] },
      /^jobs\[1\]\.after\[0\]\.scope is "model": use "tray"/,
    ],
    ['an empty tray', { ...good, trays: [{ ...good.trays[0]!, models: 0 }] }, /^trays\[0\]\.models is 0: /],
    [
      'a model that the tray does not have',
      jobs({ ...first, models: [11], minutesPerModel: 1 }, second),
      /^jobs\[0\]\.models\[0\] is 11: /,
    ],
    [
      'minutes for the wrong number of models',
      jobs({ ...first, minutesPerModel: [1, 2] }, second),
      /^jobs\[0\]\.minutesPerModel is \[1,2\]: /,
    ],
    [
      'sessions that overlap',
      {
        ...good,
        sessions: [
          { from: 0, to: 90 },
          { from: 60, to: 120 },
        ],
      },
      /^sessions\[1\]\.from is 60: /,
    ],
    [
      'a wish that cannot be kept',
      { ...good, wishes: [{ kind: 'pin', jobs: [second.id], after: null }] },
      /^wishes\[0\] is .*: leave it out/,
    ],
  ];
}
