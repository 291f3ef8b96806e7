/**
 * How good and how fast the line engine is, on made-up commissions from 8 to 1,000 jobs.
 *
 *   npm run bench:line                     totals after 1, 5 and 30 s
 *   npm run bench:line -- --long           the same, and after 10 minutes, for 100 and 1,000 jobs
 *   npm run bench:line -- --jobs 60,140    only these sizes
 *   npm run bench:line -- --dates          with trays that cost fetching and commissions with dates
 *   npm run bench:line -- --weighed        with minutes at the bench, days and legs weighed, and wishes
 *
 * Every line is solved in a process of its own, so that its memory is its own.
 */
import { spawnSync } from 'node:child_process';
import { cpus } from 'node:os';
import { parseArgs } from 'node:util';
import type { CompiledLine } from '../src/core/line/problem/compiledLine';
import { compileLine } from '../src/core/line/problem/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../src/core/line/search/constructOrder';
import { OrderJudge } from '../src/core/line/search/OrderJudge';
import { enteredOrder } from '../src/core/line/problem/precedence';
import { solveLine } from '../src/core/line/search/solveLine';
import { runSolver, type SolveReport } from '../src/core/line/search/runSolver';
import { timeDraws } from '../src/core/line/timing/timeDraws';
import { timeOrder } from '../src/core/line/timing/timeOrder';
import { allAtOnce } from '../src/core/kernel/steps';
import { madeUpCommission } from './madeUpCommission';

const SIZES = [8, 14, 30, 60, 100, 140, 300, 600, 1000];
const LONG_SIZES = [100, 1000];
const TRAYS: Record<number, number> = { 8: 2, 14: 2, 1000: 150 };
const MARKS = [1, 5, 30];
const LONG_MARKS = [5, 30, 600];

/** What a line has beside its jobs. */
interface Shape {
  dates: boolean;
  weighed: boolean;
}

interface Task extends Shape {
  jobs: number;
  sessions: boolean;
  seed: number;
  marks: number[];
}

interface Result {
  setups: number;
  trays: number;
  entered: number;
  greedy: number;
  /** Minutes that lateness counts in the last order. */
  late: number;
  firstMs: number;
  /** Seconds after which the order was proven the best, or null. */
  provenAfter: number | null;
  totals: number[];
  bound: number;
  stepsPerSecond: number;
  megabytes: number;
}

function solve({ jobs, sessions, dates, weighed, seed, marks }: Task): Result {
  const problem = madeUpCommission(seed, { jobs, sessions, dates, weighed, trays: TRAYS[jobs] });
  const line = compileLine(problem);
  const judge = new OrderJudge(line);
  const entered = judge.take(enteredOrder(line));
  const greedy = judge.take(greedyOrder(line, GREEDY_WEIGHTS[0]!));
  const totals = marks.map(() => Infinity);
  let firstMs = -1;
  const result = { setups: line.setupCount, trays: problem.trays.length, entered, greedy };
  const note = (report: SolveReport) => {
    if (firstMs < 0) firstMs = report.milliseconds;
    marks.forEach((mark, index) => {
      if (report.milliseconds <= mark * 1000 || (report.done && totals[index] === Infinity)) totals[index] = report.cost;
    });
  };
  const last = runSolver({ problem, seed: 1, steps: null, milliseconds: marks.at(-1)! * 1000 }, () => performance.now(), note);
  note(last);
  totals[marks.length - 1] = last.cost;
  const timed = timeOrder(line, last.order);
  return {
    ...result,
    late: !timed.fits ? NaN : timed.totals.late,
    firstMs,
    provenAfter: last.milliseconds < marks.at(-1)! * 1000 ? last.milliseconds / 1000 : null,
    totals,
    bound: last.bound,
    stepsPerSecond: (1000 * last.steps) / last.milliseconds,
    megabytes: process.resourceUsage().maxRSS / 1024,
  };
}

/** Moves of one job judged in a second, on a line as the search holds it, whatever becomes of them. */
function judgedPerSecond(jobs: number, { dates, weighed }: Shape): [number, number] {
  const judge = ['--judge', String(jobs), ...(dates ? ['--dates'] : []), ...(weighed ? ['--weighed'] : [])];
  const child = spawnSync(process.execPath, ['--import', 'tsx', import.meta.filename, ...judge], { encoding: 'utf8' });
  return JSON.parse(child.stdout) as [number, number];
}

function inOwnProcess(task: Task): Result {
  const child = spawnSync(process.execPath, ['--import', 'tsx', import.meta.filename, '--task', JSON.stringify(task)], {
    encoding: 'utf8',
  });
  if (child.status !== 0) throw new Error(child.stderr);
  return JSON.parse(child.stdout) as Result;
}

const minutes = (value: number) => value.toFixed(1);
const row = (cells: (string | number)[]) => console.log(`| ${cells.join(' | ')} |`);

function table(sizes: number[], marks: number[], { dates, weighed }: Shape): void {
  row([
    'jobs',
    'evenings',
    'setups',
    'trays',
    'entered',
    'greedy',
    'first plan',
    ...marks.map((mark) => `${mark} s`),
    ...(dates ? ['late'] : []),
    'bound',
    'gap',
    'proven',
    'steps/s',
    'memory',
  ]);
  row(
    Array<string>((dates ? 12 : 11) + marks.length)
      .fill('---:')
      .concat(['---:']),
  );
  for (const jobs of sizes) {
    for (const sessions of [false, true]) {
      const result = inOwnProcess({ jobs, sessions, dates, weighed, seed: 1, marks });
      const best = result.totals.at(-1)!;
      row([
        jobs,
        sessions ? 'yes' : 'no',
        result.setups,
        result.trays,
        minutes(result.entered),
        minutes(result.greedy),
        `${Math.round(result.firstMs)} ms`,
        ...result.totals.map(minutes),
        ...(dates ? [minutes(result.late)] : []),
        minutes(result.bound),
        `${((100 * (best - result.bound)) / best).toFixed(1)} %`,
        result.provenAfter === null ? 'no' : `${result.provenAfter.toFixed(2)} s`,
        Math.round(result.stepsPerSecond).toLocaleString('en'),
        `${Math.round(result.megabytes)} MB`,
      ]);
    }
  }
}

/** Single-job moves judged in a second against the order's own cost: on the first construction, and as the search holds it after a while. */
function judgeMoves(jobs: number, shape: Shape): [first: number, searched: number] {
  const line = compileLine(madeUpCommission(1, { jobs, ...shape }));
  return [
    judgeMovesOf(line, greedyOrder(line, GREEDY_WEIGHTS[0]!)),
    judgeMovesOf(line, solveLine(line, { seed: 1, steps: 20_000, seeksProof: false }).order),
  ];
}

function judgeMovesOf(line: CompiledLine, order: Int32Array): number {
  const jobs = line.jobCount;
  const judge = new OrderJudge(line);
  judge.take(order);
  const limit = judge.cost;
  let judged = 0;
  const begun = performance.now();
  while (performance.now() - begun < 2000) {
    for (let from = 0; from < jobs; from++) {
      const job = judge.order[from]!;
      const low = Math.max(0, ...Array.from(line.predecessors[job]!, (other) => judge.position[other]! + 1));
      const high = Math.min(jobs, ...Array.from(line.successors[job]!, (other) => judge.position[other]!));
      for (let to = low; to <= high; to++) {
        if (to === from || to === from + 1) continue;
        judge.judge(from, from + 1, to, limit);
        judge.reject();
        judged++;
      }
    }
  }
  return (1000 * judged) / (performance.now() - begun);
}

const DRAWS = 200;

/** Milliseconds in which an order of 300 jobs is timed under the draws: the middle of some rounds. */
function drawMilliseconds(sessions: boolean): number {
  const problem = madeUpCommission(1, { jobs: 300, sessions, dates: true });
  const line = compileLine(problem);
  const order = greedyOrder(line, GREEDY_WEIGHTS[0]!);
  const factors = problem.jobs.map((_, job) =>
    Float64Array.from({ length: DRAWS }, (_each, draw) => 0.7 + ((job * 7 + draw * 13) % 60) / 100),
  );
  const times = Array.from({ length: 9 }, () => {
    const begun = performance.now();
    allAtOnce(timeDraws(line, order, factors, DRAWS));
    return performance.now() - begun;
  });
  return times.sort((a, b) => a - b)[4]!;
}

const { values } = parseArgs({
  options: {
    long: { type: 'boolean' },
    dates: { type: 'boolean', default: false },
    weighed: { type: 'boolean', default: false },
    jobs: { type: 'string' },
    task: { type: 'string' },
    judge: { type: 'string' },
  },
});
if (values.task) console.log(JSON.stringify(solve(JSON.parse(values.task) as Task)));
else if (values.judge) console.log(JSON.stringify(judgeMoves(Number(values.judge), values)));
else {
  const sizes = values.jobs?.split(',').map(Number);
  console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}; totals in minutes\n`);
  const [first, searched] = judgedPerSecond(140, values).map((each) => Math.round(each).toLocaleString('en'));
  console.log(`moves of one job judged on a line of 140 jobs: ${first} a second on the first construction, ${searched} after a search\n`);
  if (values.dates)
    console.log(
      `${DRAWS} draws of an order of 300 jobs: ${drawMilliseconds(false).toFixed(0)} ms, in evenings ${drawMilliseconds(true).toFixed(0)} ms\n`,
    );
  table(sizes ?? (values.long ? LONG_SIZES : SIZES), values.long ? LONG_MARKS : MARKS, values);
}
