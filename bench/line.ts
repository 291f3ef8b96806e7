import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { compareStrategies } from '../src/core/line/compareStrategies';
import { compileLine } from '../src/core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../src/core/line/constructOrder';
import type { LineProblem } from '../src/core/line/definitions';
import { planOrder } from '../src/core/line/planLine';
import { searchOrder } from '../src/core/line/searchOrder';
import { createCost, timeOrder } from '../src/core/line/timeOrder';
import { buildLine } from '../src/core/scheme/buildLine';
import { sharedLegs } from '../src/core/scheme/sharedLegs';
import { openDatabase } from '../src/data/database';
import { fillDemo } from '../src/data/demo/fillDemo';
import { loadPicture, rosterOf } from '../src/server/commissions/loadPicture';
import { storesOf } from '../src/server/services';

/** The median of so many runs, milliseconds. */
function median(runs: number, act: () => void): number {
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!;
}

const report = (what: string, value: string) => console.log(`${what.padEnd(72)}${value.padStart(14)}`);
const ms = (value: number) => `${value.toFixed(3)} ms`;

/** 140 jobs on 65 models: 28 passes on each of five trays of 13, sharing 20 setups, each waiting for the pass before. */
function madeUpProblem(): LineProblem {
  const setups = Array.from({ length: 20 }, (_, index) => ({ id: `s${index}` }));
  const trays = Array.from({ length: 5 }, (_, index) => ({ id: `t${index}`, models: 13 }));
  return {
    format: 'neat-relay/line-problem@1',
    trays,
    setups,
    start: setups.map(() => 4),
    changeover: setups.map((_, row) => setups.map((__, column) => (row === column ? 0 : 1 + ((row * 7 + column * 3) % 4)))),
    jobs: trays.flatMap((tray, t) =>
      Array.from({ length: 28 }, (_, index) => ({
        id: `${tray.id}j${index}`,
        tray: tray.id,
        setup: setups[(index * 3 + t) % setups.length]!.id,
        minutesPerModel: 0.5 + (index % 5) / 4,
        dryMinutes: [3, 8, 15, 30][index % 4]!,
        after: index === 0 ? [] : [{ job: `${tray.id}j${index - 1}`, scope: 'model' as const }],
      })),
    ),
  };
}

/** What the Line view does when a scheme has changed: the problem, a first plan, four strategies, what legs share. */
async function answerToAChange(folder: string) {
  const database = await openDatabase(folder);
  await fillDemo(database, new Date());
  const stores = storesOf(database);
  for (const { id, name } of await stores.commissions.list()) {
    const picture = await loadPicture(stores, id, new Date());
    const answer = () => {
      const built = buildLine(rosterOf(picture));
      const line = compileLine(built.problem);
      const order = greedyOrder(line, GREEDY_WEIGHTS[0]!);
      const plan = planOrder(line, order);
      const unitOf = new Map(built.trays.map((tray) => [tray.id, tray.unitId]));
      compareStrategies(built.problem, order, (tray) => unitOf.get(tray)!);
      if (!('missingMinutes' in plan)) sharedLegs(built, plan.legs);
      return built.jobs.length;
    };
    report(`the Line view answers a changed scheme: ${name}, ${answer()} jobs`, ms(median(15, answer)));
  }
  await database.knex.destroy();
}

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`);
const line = compileLine(madeUpProblem());
const order = greedyOrder(line, GREEDY_WEIGHTS[0]!);
const cost = createCost(line);
report('timing a plan of 140 jobs and 65 models, with every begin and end', ms(median(400, () => timeOrder(line, order))));
report('its total alone, as the search asks for it', ms(median(400, () => cost(order))));
const steps = 20_000;
const searching = median(3, () => searchOrder(line, { seed: 1, steps }));
report(`${steps} steps of search on it`, ms(searching));
report('steps per second', String(Math.round((1000 * steps) / searching)));
const folder = mkdtempSync(path.join(tmpdir(), 'neat-relay-bench-'));
await answerToAChange(folder);
rmSync(folder, { recursive: true, force: true });
