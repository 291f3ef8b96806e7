/**
 * Would a painter sign the order? The examples of the order rules, and made-up schemes by the hundred: what the suggested order
 * keeps and costs, beside the order as entered and beside the one that is found when only the end counts.
 *
 *   npm run bench:order                    the examples and 100 made-up schemes
 *   npm run bench:order -- --schemes 300   more of them
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { readScheme, unitOf } from '../src/core/formats/scheme/schemeFile';
import { coatOfJob } from '../src/core/kernel/ids';
import { compileLine } from '../src/core/line/problem/compileLine';
import type { LineProblem, LineTotals } from '../src/core/line/definitions';
import { enteredOrder } from '../src/core/line/problem/precedence';
import { solveLine } from '../src/core/line/search/solveLine';
import { timeOrder } from '../src/core/line/timing/timeOrder';
import { buildLine } from '../src/core/plan/build/buildLine';
import type { Paint, Unit } from '../src/core/scheme/model/definitions';
import { stepOfKey } from '../src/core/scheme/model/halves';
import { DEFAULT_HOUSE_RULES } from '../src/core/scheme/model/houseRules';
import { withPots } from '../src/core/scheme/model/pots';
import { normMinutes } from '../src/core/time/fit/norms';
import { MADE_UP_SHELF, madeUpScheme } from './madeUpScheme';

const FOLDER = path.join(import.meta.dirname, '../test/data/order');
const STEPS = 20_000;
const EVENINGS = Array.from({ length: 60 }, (_, day) => ({ from: day * 1440, to: day * 1440 + 180 }));

const WAYS = ['as entered', 'only the end counts', 'suggested'] as const;

interface Found {
  steps: string[];
  totals: LineTotals;
  wishes: { kept: number; all: number };
}

function problemOf(unit: Unit, shelf: ReadonlyMap<string, Paint>): LineProblem {
  const { problem } = buildLine({
    units: [{ ...unit, commissionId: 'c', commissionName: 'C', standard: 'display' }],
    paints: withPots(shelf, [unit.scheme]),
    house: DEFAULT_HOUSE_RULES,
    minutesOf: ({ size }, { step }) => normMinutes(step.technique, size, step.coverage),
    doneModels: () => new Set(),
  });
  return { ...problem, sessions: EVENINGS };
}

/** Every way's order, timed and weighed alike. */
function ordersOf(problem: LineProblem): Found[] {
  const line = compileLine(problem);
  const { weights: _weights, ...toTheEnd } = problem;
  const search = (of: LineProblem) => solveLine(compileLine(of), { seed: 1, steps: STEPS, seeksProof: false }).order;
  return [enteredOrder(line), search({ ...toTheEnd, prefer: problem.prefer?.filter(({ wish }) => !wish) }), search(problem)].map(
    (order) => {
      const timed = timeOrder(line, order);
      if (!timed.fits) throw new Error('sixty evenings hold every made-up unit');
      const place = new Map(timed.jobs.map(({ id }, at) => [id, at]));
      const wishes = (problem.prefer ?? []).filter(({ wish }) => wish);
      return {
        steps: timed.jobs.map(({ id }) => stepOfKey(coatOfJob(id))),
        totals: timed.totals,
        wishes: { kept: wishes.filter(({ first, then }) => place.get(first)! < place.get(then)!).length, all: wishes.length },
      };
    },
  );
}

const row = (cells: (string | number)[]) => console.log(`| ${cells.join(' | ')} |`);
const header = (cells: string[]) => {
  row(cells);
  row(cells.map((_, index) => (index < 2 ? '---' : '---:')));
};
const isKept =
  (steps: string[]) =>
  ([first, then]: [string, string]): boolean =>
    steps.lastIndexOf(first) < steps.indexOf(then);

function examples(): void {
  header(['example', 'order', 'insisted on', 'liked', 'bench', 'waiting', 'touch-up', 'legs']);
  for (const name of readdirSync(FOLDER).sort()) {
    const { scheme, insists, likes } = JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8')) as {
      scheme: unknown;
      insists: [string, string][];
      likes: [string, string][];
    };
    const file = readScheme(scheme);
    ordersOf(problemOf(unitOf(file), new Map(file.paints.map((paint) => [paint.id, paint])))).forEach(({ steps, totals }, way) =>
      row([
        name.replace('.json', ''),
        WAYS[way]!,
        `${insists.filter(isKept(steps)).length} of ${insists.length}`,
        `${likes.filter(isKept(steps)).length} of ${likes.length}`,
        totals.bench.toFixed(1),
        totals.wait.toFixed(1),
        totals.touchUp.toFixed(1),
        totals.legCount,
      ]),
    );
  }
}

function madeUp(count: number): void {
  const sums = WAYS.map(() => ({ bench: 0, wait: 0, touchUp: 0, legCount: 0, against: 0, kept: 0, all: 0, days: 0 }));
  let worse = 0;
  for (let seed = 1; seed <= count; seed++) {
    const found = ordersOf(problemOf(madeUpScheme(seed), MADE_UP_SHELF));
    if (found[2]!.totals.total > found[0]!.totals.total) worse++;
    found.forEach(({ totals, wishes }, way) => {
      const sum = sums[way]!;
      for (const of of ['bench', 'wait', 'touchUp', 'legCount', 'against'] as const) sum[of] += totals[of];
      sum.kept += wishes.kept;
      sum.all += wishes.all;
      sum.days += totals.finish / 1440;
    });
  }
  console.log(`\n${count} made-up units in evenings of three hours, on average; suggested worse than as entered: ${worse}\n`);
  header(['', 'order', 'habits kept', 'bench', 'waiting', 'touch-up', 'legs', 'days']);
  sums.forEach((sum, way) =>
    row([
      '',
      WAYS[way]!,
      `${((100 * sum.kept) / sum.all).toFixed(1)} %`,
      (sum.bench / count).toFixed(1),
      (sum.wait / count).toFixed(1),
      (sum.touchUp / count).toFixed(1),
      (sum.legCount / count).toFixed(1),
      (sum.days / count).toFixed(2),
    ]),
  );
}

const { values } = parseArgs({ options: { schemes: { type: 'string', default: '100' } } });
examples();
madeUp(Number(values.schemes));
