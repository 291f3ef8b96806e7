/** How fast the Line view answers: the problem, a first plan, the strategies and what legs share, on the demo commissions. */
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { fixedStrategies, strategyOf } from '../src/core/line/strategies';
import { compileLine } from '../src/core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../src/core/line/constructOrder';
import { planOrder } from '../src/core/line/planOrder';
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

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`);
const folder = mkdtempSync(path.join(tmpdir(), 'neat-relay-bench-'));
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
    fixedStrategies(built.problem, (tray) => unitOf.get(tray)!);
    strategyOf(line, 'suggested', order);
    if (!('missingMinutes' in plan)) sharedLegs(built, plan.legs);
    return built.jobs.length;
  };
  console.log(`${name}, ${answer()} jobs: ${median(15, answer).toFixed(1)} ms`);
}
await database.knex.destroy();
rmSync(folder, { recursive: true, force: true });
