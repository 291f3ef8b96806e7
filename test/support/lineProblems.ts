import {
  lineFormatOf,
  type LineAfter,
  type LineJob,
  type LinePrefer,
  type LineProblem,
  type LineTray,
} from '../../src/core/line/definitions';
import { Random } from './random';

interface Shape {
  jobs?: number;
  sessions?: boolean;
  /** Trays that cost fetching, and dates: what the second version adds. */
  isSecond?: boolean;
  /** What the painter weighs, and preferences that are wishes: what the third version adds. */
  isThird?: boolean;
}

const models = (count: number) => Array.from({ length: count }, (_, index) => index + 1);

/** A made-up problem with everything the format has: subsets, gates, lags, handling, tools, preferences, sessions. */
export function randomProblem(seed: number, shape: Shape = {}): LineProblem {
  const random = new Random(seed);
  const trays: LineTray[] = Array.from({ length: random.whole(1, 3) }, (_, index) => ({ id: `t${index}`, models: random.whole(1, 5) }));
  const tools = random.chance(0.7) ? [{ id: 'brush', count: random.whole(1, 2), restMinutes: random.whole(0, 30) }] : [];
  const setups = Array.from({ length: random.whole(2, 5) }, (_, index) => ({
    id: `s${index}`,
    ...(tools.length > 0 && random.chance(0.4) && { tool: 'brush' }),
  }));
  const count = shape.jobs ?? random.whole(2, 9);
  const jobs: LineJob[] = [];
  for (let index = 0; index < count; index++) {
    const tray = random.pick(trays);
    const covered = random.chance(0.3) ? models(tray.models).filter(() => random.chance(0.6)) : null;
    const subset = covered && covered.length > 0 ? covered : null;
    jobs.push({
      id: `j${index}`,
      tray: tray.id,
      setup: random.pick(setups).id,
      ...(subset && { models: subset }),
      minutesPerModel: random.chance(0.3) ? (subset ?? models(tray.models)).map(() => random.whole(1, 12) / 4) : random.whole(1, 12) / 4,
      dryMinutes: random.pick([0, 3, 8, 15, 30]),
      ...(random.chance(0.3) && { handleMinutes: random.whole(0, 10) }),
      after: jobs.filter(() => random.chance(0.3)).map((other) => randomAfter(random, other, tray.id)),
    });
  }
  const prefer = jobs.flatMap((job) =>
    random.chance(0.4) ? [{ first: job.id, then: random.pick(jobs).id, minutes: random.whole(1, 9) }] : [],
  );
  const sessions = (shape.sessions ?? random.chance(0.4)) ? evenings(60) : null;
  // Drawn last, so that what a seed gave before there were dates is what it gives now.
  const second = shape.isSecond ? secondVersion(random, trays, jobs, sessions !== null) : { trays };
  const third = thirdVersion(
    random,
    prefer.filter((entry) => entry.first !== entry.then),
    shape.isThird ?? false,
  );
  return {
    format: lineFormatOf({ ...second, ...third }),
    tools,
    setups,
    start: setups.map(() => random.whole(0, 8)),
    changeover: setups.map((_, row) => setups.map((__, column) => (row === column ? 0 : random.whole(0, 8)))),
    jobs,
    ...(sessions && { sessions }),
    ...second,
    ...third,
  };
}

function thirdVersion(random: Random, prefer: LinePrefer[], isThird: boolean): Pick<LineProblem, 'prefer' | 'weights'> {
  if (!isThird) return { prefer };
  return {
    prefer: prefer.map((entry) => (random.chance(0.5) ? { ...entry, wish: true } : entry)),
    weights: { bench: random.pick([1, 1, 0.5, 0]), span: random.pick([0.0035, 0.0035, 0.2, 1, 0]), leg: random.pick([0.3, 2, 0]) },
  };
}

const evenings = (count: number) => Array.from({ length: count }, (_, day) => ({ from: day * 200 + 5, to: day * 200 + 45 }));

function secondVersion(random: Random, trays: LineTray[], jobs: LineJob[], inEvenings: boolean): Pick<LineProblem, 'trays' | 'due'> {
  const latest = (inEvenings ? 300 : 12) * jobs.length;
  return {
    trays: trays.map((tray) => ({ ...tray, ...(random.chance(0.8) && { fetchMinutes: random.whole(0, 8) / 2 }) })),
    due: Array.from({ length: random.whole(0, 3) }, (_, index) => {
      const named = jobs.filter(() => random.chance(0.5));
      return {
        id: `d${index}`,
        jobs: (named.length > 0 ? named : jobs.slice(0, 1)).map(({ id }) => id),
        at: random.whole(0, latest),
        perMinuteLate: random.pick([0, 0.25, 1, 5]),
      };
    }),
  };
}

function randomAfter(random: Random, other: LineJob, tray: string): LineAfter {
  const scope = other.tray === tray && random.chance(0.7) ? 'model' : 'tray';
  return { job: other.id, scope, ...(random.chance(0.2) && { lagMinutes: random.whole(0, 40) }) };
}

/** A random order that keeps every predecessor first, as job indexes. */
export function randomOrder(problem: LineProblem, random: Random): number[] {
  const order: number[] = [];
  const placed = new Set<string>();
  while (order.length < problem.jobs.length) {
    const open = problem.jobs.flatMap((job, index) =>
      !placed.has(job.id) && job.after.every((after) => placed.has(after.job)) ? [index] : [],
    );
    const next = random.pick(open);
    order.push(next);
    placed.add(problem.jobs[next]!.id);
  }
  return order;
}

/** Every order that keeps predecessors first; only for a handful of jobs. */
export function* allOrders(problem: LineProblem, placed: number[] = []): Generator<number[]> {
  if (placed.length === problem.jobs.length) {
    yield placed;
    return;
  }
  const ids = new Set(placed.map((index) => problem.jobs[index]!.id));
  for (const [index, job] of problem.jobs.entries()) {
    if (ids.has(job.id) || !job.after.every((after) => ids.has(after.job))) continue;
    yield* allOrders(problem, [...placed, index]);
  }
}
