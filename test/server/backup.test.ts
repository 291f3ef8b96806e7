import { expect } from 'chai';
import path from 'node:path';
import { copyDatabase } from '../../src/data/file/copyDatabase';
import { openDatabase } from '../../src/data/database';
import { databaseFile } from '../../src/data/file/folder';
import { restoreFolder } from '../../src/data/file/restoreDatabase';
import { loadBench } from '../../src/server/bench/loadBench';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { loadIntake } from '../../src/server/intake/loadIntake';
import { loadScheme } from '../../src/server/schemes/loadScheme';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadTrays } from '../../src/server/plan/loadTrays';
import type { Stores } from '../../src/server/stores/stores';
import { storesOf } from '../../src/server/stores/storesOf';
import { exportTimeLog, loadLog } from '../../src/server/ledger/loadLog';
import { loadToday } from '../../src/server/today/loadToday';
import { demoDatabase } from '../support/database';
import { temporaryFolder } from '../support/temporaryFolder';
import { NOW } from '../support/shop';

/** What every view shows at a moment, as text. */
async function views(stores: Stores): Promise<Record<string, string>> {
  const shown: Record<string, unknown> = {
    today: await loadToday(stores, NOW),
    bench: await loadBench(stores, NOW),
    line: await loadLine(stores, NOW),
    trays: await loadTrays(stores, NOW),
    ledger: await loadLog(stores, NOW),
    log: await exportTimeLog(stores),
    shelf: [await stores.paints.shelf(), await stores.paints.unitsUsing()],
    rules: [await stores.houseRules.load(), await stores.houseRules.revision()],
  };
  for (const { id } of await stores.commissions.listOpen())
    shown[id] = [await loadIntake(stores, id, NOW), await loadScheme(stores, id, NOW), await exportCommission(stores, id)];
  const asText = (_key: string, value: unknown) => (value instanceof Map ? [...(value as Map<unknown, unknown>)] : value);
  return Object.fromEntries(Object.entries(shown).map(([name, view]) => [name, JSON.stringify(view, asText)]));
}

describe('a backup', () => {
  it('brings every view back bit for bit, in another folder too', async function () {
    const { database } = await demoDatabase(NOW);
    const { folder, remove } = temporaryFolder();
    const before = await views(database.stores);
    const backup = path.join(folder, 'saved.sqlite');
    await copyDatabase(databaseFile(database.folder), backup);
    await database.close();
    await restoreFolder(backup, path.join(folder, 'restored'), NOW);
    const restored = await openDatabase(path.join(folder, 'restored'));
    expect(await views(storesOf(restored.knex))).to.deep.equal(before);
    await restored.close();
    remove();
  });
});
