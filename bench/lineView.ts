/** How fast the Line and Trays views answer, on the demo commissions: what the page waits for, and what is worked out beside it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { lineSessions } from '../src/core/calendar/lineSessions';
import { compileLine } from '../src/core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../src/core/line/constructOrder';
import { planOrder } from '../src/core/line/planOrder';
import { fixedStrategies, strategyOf } from '../src/core/line/strategies';
import { buildLine } from '../src/core/scheme/buildLine';
import { modelsOf } from '../src/core/scheme/definitions';
import { sharedLegs } from '../src/core/scheme/sharedLegs';
import { SPLIT_STEPS, trayLimits, tryTrays } from '../src/core/scheme/trayChoices';
import { openDatabase } from '../src/data/database';
import { fillDemo } from '../src/data/demo/fillDemo';
import { legSheetDocument } from '../src/print/legSheet';
import { toPdf } from '../src/print/pdf';
import { loadPicture, rosterOf, type Picture } from '../src/server/commissions/loadPicture';
import { loadLegSheet } from '../src/server/line/loadLegSheet';
import { storesOf } from '../src/server/services';

/** The median of so many runs, milliseconds. */
async function median(runs: number, act: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    await act();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!;
}

const now = new Date();

/** The problem in the painter's sessions, a first plan with its bound, and what legs share. */
function page(picture: Picture) {
  const built = buildLine(rosterOf(picture));
  const problem = { ...built.problem, sessions: lineSessions(built.problem, picture.house.sessions, now.getTime())!.sessions };
  const line = compileLine(problem);
  const order = greedyOrder(line, GREEDY_WEIGHTS[0]!);
  const plan = planOrder(line, order);
  strategyOf(line, 'suggested', order);
  if (!('missingMinutes' in plan)) sharedLegs(built, plan.legs);
  return { built, problem, order: Array.from(order, (job) => problem.jobs[job]!.id) };
}

function splits(picture: Picture): number {
  const unit = picture.units[0]!;
  const limits = trayLimits(modelsOf(unit), picture.house.holderModels[unit.size], unit.trayLimit);
  return [...tryTrays(rosterOf(picture), unit.id, limits, 'whole line', { seed: 1, steps: SPLIT_STEPS })].length;
}

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`);
console.log('| commission | jobs | the page | the fixed ways | the splits of a unit | leg sheet |');
console.log('| --- | ---: | ---: | ---: | ---: | ---: |');
const folder = mkdtempSync(path.join(tmpdir(), 'neat-relay-bench-'));
const database = await openDatabase(folder);
await fillDemo(database, now);
const stores = storesOf(database);
for (const { id, name } of await stores.commissions.list()) {
  const picture = await loadPicture(stores, id, now);
  const { built, problem, order } = page(picture);
  const unitOf = new Map(built.trays.map((tray) => [tray.id, tray.unitId]));
  const times = [
    await median(15, () => page(picture)),
    await median(15, () => fixedStrategies(problem, (tray) => unitOf.get(tray)!)),
    await median(1, () => splits(picture)),
    await median(3, async () => toPdf(legSheetDocument(await loadLegSheet(stores, id, { order, inSessions: true }, now)))),
  ];
  console.log(`| ${[name, built.jobs.length, ...times.map((each) => `${each.toFixed(0)} ms`)].join(' | ')} |`);
}
await database.knex.destroy();
rmSync(folder, { recursive: true, force: true });
