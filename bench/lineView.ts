/** How fast the Line and Trays views answer, on the demo commissions: what the page waits for, and what is worked out beside it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { lineSessions } from '../src/core/plan/dates/lineSessions';
import { compileLine } from '../src/core/line/problem/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../src/core/line/search/constructOrder';
import { planOrder } from '../src/core/line/search/planOrder';
import { fixedStrategies, strategyOf } from '../src/core/line/search/strategies';
import { buildLine } from '../src/core/plan/build/buildLine';
import { modelsOf } from '../src/core/scheme/model/definitions';
import { sharedLegs } from '../src/core/plan/build/sharedLegs';
import { SPLIT_STEPS, trayLimits, tryTrays } from '../src/core/plan/choices/trayChoices';
import { openDatabase } from '../src/data/database';
import { fillDemo } from '../src/data/demo/fillDemo';
import { legSheetDocument } from '../src/print/legSheet';
import { toPdf } from '../src/print/pdf';
import { chooseUnits, chosenUnits } from '../src/server/workshop/choice';
import { loadWorkshop, type Workshop, type WorkUnit } from '../src/server/workshop/loadWorkshop';
import { rosterOf } from '../src/server/workshop/roster';
import { wholeCommission } from '../src/core/plan/selection';
import { loadLegSheet } from '../src/server/plan/loadLegSheet';
import { storesOf } from '../src/server/stores/storesOf';

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
function page(workshop: Workshop, units: WorkUnit[]) {
  const built = buildLine(rosterOf(workshop, units));
  const problem = { ...built.problem, sessions: lineSessions(built.problem, workshop.house, now.getTime())!.sessions };
  const line = compileLine(problem);
  const order = greedyOrder(line, GREEDY_WEIGHTS[0]!);
  const plan = planOrder(line, order);
  strategyOf(line, 'suggested', order);
  if (plan.fits) sharedLegs(built, plan.legs);
  return { built, problem, order: Array.from(order, (job) => problem.jobs[job]!.id) };
}

function splits(workshop: Workshop, units: WorkUnit[]): number {
  const unit = units[0]!;
  const limits = trayLimits(modelsOf(unit), workshop.house.holderModels[unit.size], unit.trayLimit);
  return [...tryTrays(rosterOf(workshop, units), unit.id, limits, 'whole line', { seed: 1, steps: SPLIT_STEPS })].length;
}

console.log(`${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`);
console.log('| commission | jobs | the page | the fixed ways | the splits of a unit | leg sheet |');
console.log('| --- | ---: | ---: | ---: | ---: | ---: |');
const folder = mkdtempSync(path.join(tmpdir(), 'neat-relay-bench-'));
const database = await openDatabase(folder);
await fillDemo(database, now);
const stores = storesOf(database.knex);
for (const { id, name } of await stores.commissions.listOpen()) {
  const selection = wholeCommission(id);
  await chooseUnits(stores, { selection });
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, selection);
  const { built, problem, order } = page(workshop, units);
  const unitOf = new Map(built.trays.map((tray) => [tray.id, tray.unitId]));
  const times = [
    await median(15, () => page(workshop, units)),
    await median(15, () => fixedStrategies(problem, { unitOfTray: (tray) => unitOf.get(tray)!, nearlyDone: [], turns: [] })),
    await median(1, () => splits(workshop, units)),
    await median(3, async () => toPdf(legSheetDocument(await loadLegSheet(stores, { selection, order, inSessions: true }, now)))),
  ];
  console.log(`| ${[name, built.jobs.length, ...times.map((each) => `${each.toFixed(0)} ms`)].join(' | ')} |`);
}
await database.close();
rmSync(folder, { recursive: true, force: true });
