import { allAtOnce } from '../../src/core/kernel/steps';
import { backtest, scoreOf } from '../../src/core/time/check/backtest';
import { fitTimeModel, learnSpreadsOf } from '../../src/core/time/learn/fitTimeModel';
import { forecastWork, spreadsFor } from '../../src/core/time/check/forecastWork';
import { RunningFit } from '../../src/core/time/fit/RunningFit';
import { quantile } from '../../src/core/kernel/quantile';
import { paintedLife, type Painted } from './commissions';
import { madeUpLog, PAINTERS, type MadeUpRow, type Painter } from './madeUpLogs';

const median = (values: number[]) =>
  quantile(
    values.sort((a, b) => a - b),
    0.5,
  );
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const share = (values: readonly boolean[]) => mean(values.map(Number));
const figure = (value: number) => value.toFixed(3);

const ROWS = 400;
/** Rows before this one teach only. */
const SCORED_FROM = 50;

/** Rows predicted one after the other, over several seeds of each painter. */
export function rowTable(seeds: readonly number[]): string {
  const lines = PAINTERS.map((painter) => {
    const scores = seeds.map((seed) => {
      const log = madeUpLog(painter, 17 * seed + 3, ROWS).slice(0, ROWS);
      const score = scoreOf(allAtOnce(backtest(log.map(({ row }) => row))).slice(SCORED_FROM));
      const floor = median(log.slice(SCORED_FROM).map(({ row, expected }) => Math.abs(expected / row.minutes - 1)));
      return { ...score, floor };
    });
    const of = (key: (score: (typeof scores)[number]) => number) => figure(mean(scores.map(key)));
    return [
      painter.name,
      of(({ medianApe }) => medianApe),
      of(({ floor }) => floor),
      of(({ baselines }) => baselines.runningMean.medianApe),
      of(({ baselines }) => baselines.norm.medianApe),
      of(({ coverage80 }) => coverage80),
      of(({ bias }) => bias),
    ];
  });
  return table(['rows', 'median error', 'floor', 'running mean', 'norm', 'P10 to P90 holds', 'bias'], lines);
}

interface Total {
  p50: number;
  actual: number;
  isInside: boolean;
  isSafe: boolean;
}

/** What is left of the commission that a row stands in, or of the next one where that is nearly done. */
function totalAfter(log: readonly MadeUpRow[], at: number, seed: number): Total {
  const endOf = (from: number) => {
    let end = from;
    while (end < log.length && log[end]!.row.commission === log[from]!.row.commission) end++;
    return end;
  };
  const first = endOf(at);
  const end = first - at < FEWEST_ROWS && first < log.length ? endOf(first) : first;
  const work = log.slice(at, end);
  const { p10, p50, p80, p90 } = allAtOnce(
    forecastWork(
      log.slice(0, at).map(({ row }) => row),
      work.map(({ row }) => ({ kind: row, models: row.models })),
      new Date(log[at]!.row.startedAt),
      seed,
    ),
  );
  const actual = work.reduce((sum, { sound }) => sum + sound, 0);
  return { p50, actual, isInside: actual >= p10 && actual <= p90, isSafe: actual <= p80 };
}

const FEWEST_ROWS = 15;

/** Totals of commissions after a short log and after a long one. */
export function totalTable(seeds: readonly number[]): string {
  const lines = PAINTERS.flatMap((painter) =>
    [60, 300].map((at) => {
      const totals = seeds.map((seed) => totalAfter(madeUpLog(painter, 31 * seed + 7, at + 150), at, seed));
      return [
        painter.name,
        String(at),
        figure(median(totals.map(({ p50, actual }) => Math.abs(p50 / actual - 1)))),
        figure(mean(totals.map(({ p50, actual }) => Math.log(actual / p50)))),
        figure(share(totals.map(({ isInside }) => isInside))),
        figure(share(totals.map(({ isSafe }) => isSafe))),
      ];
    }),
  );
  return table(['totals', 'rows before', 'median error', 'bias', 'P10 to P90 holds', 'P80 holds'], lines);
}

/** What a price should hold with, and how many commissions a painter's life has. */
const CHANCE = 0.8;
const COMMISSIONS = 10;

/** Commissions through the whole program, quoted one after the other as the log grows: how many stay within the price. */
export async function priceTable(lives: readonly number[]): Promise<string> {
  const lines: string[][] = [];
  const all: Painted[] = [];
  for (const [place, painter] of PAINTERS.entries()) {
    const painted: Painted[] = [];
    for (const life of lives) painted.push(...(await paintedLife(painter, 100 * place + life, COMMISSIONS, CHANCE)));
    all.push(...painted);
    lines.push(priceLine(painter.name, painted));
  }
  return table(
    ['commissions', 'quoted', `${100 * CHANCE} % price holds`, 'the first', 'the others', 'price over cost', 'likely hours: error', 'bias'],
    [...lines, priceLine('all', all)],
  );
}

function priceLine(name: string, painted: readonly Painted[]): string[] {
  const holds = (of: readonly Painted[]) => figure(share(of.map(({ actualMinor, quotedMinor }) => actualMinor <= quotedMinor)));
  const first = painted.filter(({ rowsBefore }) => rowsBefore === 0);
  return [
    name,
    String(painted.length),
    holds(painted),
    holds(first),
    holds(painted.filter((each) => !first.includes(each))),
    figure(median(painted.map(({ actualMinor, quotedMinor }) => quotedMinor / actualMinor))),
    figure(median(painted.map(({ likelyMinutes, actualMinutes }) => Math.abs(likelyMinutes / actualMinutes - 1)))),
    figure(mean(painted.map(({ likelyMinutes, actualMinutes }) => Math.log(actualMinutes / likelyMinutes)))),
  ];
}

/** Milliseconds of a whole fit, of learning the spreads, and of one row more. */
export function timeTable(sizes: readonly number[]): string {
  const painter = PAINTERS[0] as Painter;
  const lines = sizes.map((size) => {
    const rows = madeUpLog(painter, 5, size + 1)
      .slice(0, size + 1)
      .map(({ row }) => row);
    const now = new Date(rows.at(-1)!.startedAt);
    const before = rows.slice(0, size);
    const spreads = allAtOnce(spreadsFor(before.slice(-LEARNED_ROWS)));
    const running = new RunningFit();
    /** The second time, when the code is warm. */
    const timed = (act: () => unknown, getReady: () => unknown = () => undefined) => {
      getReady();
      act();
      getReady();
      const since = performance.now();
      act();
      return `${Math.round(performance.now() - since)} ms`;
    };
    return [
      size.toLocaleString('en-GB'),
      timed(() => fitTimeModel(before, now, spreads)),
      timed(
        () => allAtOnce(running.fit(rows, now, spreads)),
        () => allAtOnce(running.fit(before, now, spreads)),
      ),
      timed(() => allAtOnce(learnSpreadsOf(before.slice(-LEARNED_ROWS), now))),
    ];
  });
  return table(['rows in the log', 'fit', 'one row more', 'learning the spreads'], lines);
}

/** As the server does: the latest so many. */
const LEARNED_ROWS = 3000;

const table = (head: readonly string[], lines: readonly (readonly string[])[]): string =>
  [head, head.map((_, column) => (column === 0 ? '---' : '---:')), ...lines].map((cells) => `| ${cells.join(' | ')} |`).join('\n');
