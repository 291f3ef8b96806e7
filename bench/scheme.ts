/** How fast a large scheme answers an edit: what the window works out anew, the save, and the figures that follow. */
import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import { alternatives } from '../src/core/scheme/advice/alternatives';
import { usualPart, usualStep } from '../src/core/scheme/authoring/briefScheme';
import { EMPTY_SCHEME, UNCOUNTED, type Scheme, type Unit } from '../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../src/core/scheme/model/houseRules';
import { orderRules } from '../src/core/scheme/rules/orderRules';
import { normOfPass } from '../src/core/time/fit/norms';
import { passesOf } from '../src/core/scheme/passes/passes';
import { withPots } from '../src/core/scheme/model/pots';
import { schemeWarnings } from '../src/core/scheme/advice/spoiled';
import { commonPaints } from '../src/core/scheme/authoring/starters';
import { wholeCommission } from '../src/core/plan/selection';
import { openDatabase } from '../src/data/database';
import { loadPasses, loadScheme } from '../src/server/schemes/loadScheme';
import { saveScheme } from '../src/server/schemes/saveScheme';
import { loadEstimate } from '../src/server/plan/loadEstimate';
import { storesOf } from '../src/server/stores/storesOf';
import { chooseUnits } from '../src/server/workshop/choice';

const UNITS = 12;
const PARTS = 40;
const EDITS = 9;

const median = (times: number[]) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
async function timed(act: () => unknown): Promise<number> {
  const begun = performance.now();
  await act();
  return performance.now() - begun;
}

const paints = commonPaints(ulid);
const opaque = paints.filter((paint) => paint.kind === 'opaque');
const paintAt = (place: number) => opaque[place % opaque.length]!.id;

/** A base coat and an edge line on every part, and what goes over everything. */
function scheme(): Scheme {
  const parts = Array.from({ length: PARTS }, (_, place) =>
    usualPart(ulid(), `Part ${place + 1}`, [
      usualStep(ulid(), 'basecoat', paintAt(place), 0.02),
      usualStep(ulid(), 'edge', paintAt(place + 7), 0.01),
    ]),
  );
  const allOver = (['prime', 'wash', 'varnish'] as const).map((technique) => usualStep(ulid(), technique, paintAt(0), 1));
  return { ...EMPTY_SCHEME, parts, allOver };
}

const folder = mkdtempSync(path.join(tmpdir(), 'neat-relay-bench-'));
const database = await openDatabase(folder);
const stores = storesOf(database.knex);
const now = new Date();
await stores.paints.addMissing(paints);
const commission = {
  id: ulid(),
  name: 'Many parts',
  client: 'Client',
  dueOn: '2030-01-01',
  standard: 'table' as const,
  hourlyRateMinor: 2400,
  currency: 'EUR',
  note: '',
};
const units = Array.from({ length: UNITS }, (_, place): Unit => ({
  id: ulid(),
  name: `Unit ${place + 1}`,
  size: 'foot',
  promised: 20,
  ...UNCOUNTED,
  counted: 20,
  trayLimit: 10,
  scheme: scheme(),
}));
await stores.commissions.insert(commission, now.toISOString());
await stores.commissions.saveIntake(commission, units, 1);
for (const unit of units) await saveScheme(stores, unit.id, { revision: 1, scheme: unit.scheme }, now);
await chooseUnits(stores, { selection: wholeCommission(commission.id) });
await loadEstimate(stores, commission.id, now);

const [first] = units as [Unit];
const pots = withPots(new Map(paints.map((paint) => [paint.id, paint])), [first.scheme]);
const times: Record<'window' | 'save' | 'figures' | 'plan' | 'open', number[]> = { window: [], save: [], figures: [], plan: [], open: [] };
for (let edit = 0; edit < EDITS; edit++) {
  const [deepest, ...others] = first.scheme.parts;
  first.scheme = { ...first.scheme, parts: [...others, deepest!] };
  times.window.push(
    await timed(() => {
      const passes = passesOf(first, 'table', DEFAULT_HOUSE_RULES);
      orderRules(first, passes, pots, DEFAULT_HOUSE_RULES, normOfPass(first.size));
      schemeWarnings(first, passes, pots, DEFAULT_HOUSE_RULES);
      alternatives(first.scheme, 'table', (step) => step.coats * step.coverage);
    }),
  );
  times.save.push(await timed(() => saveScheme(stores, first.id, { revision: edit + 2, scheme: first.scheme }, now)));
  times.figures.push(await timed(() => loadPasses(stores, commission.id, now)));
  times.plan.push(await timed(() => loadEstimate(stores, commission.id, now)));
  times.open.push(await timed(() => loadScheme(stores, commission.id, now)));
}
console.log(
  `${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}: ${UNITS} units of ${PARTS} parts, ${EDITS} edits, medians\n`,
);
console.log(
  '| rules, warnings and other ways, in the window | the save | the minutes of every step after it | the plan of the commission after it (other views) | the view opened |',
);
console.log('| ---: | ---: | ---: | ---: | ---: |');
console.log(
  `| ${Object.values(times)
    .map((each) => `${median(each).toFixed(0)} ms`)
    .join(' | ')} |`,
);
await database.close();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
