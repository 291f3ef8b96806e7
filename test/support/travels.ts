import { expect } from 'chai';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { loadMoney } from '../../src/server/money/loadMoney';
import type { Stores } from '../../src/server/stores/stores';
import { testDatabase } from './database';

const ledgerOf = async (stores: Stores) =>
  (await stores.timeLog.list()).map(({ id, unit, part, models, minutes, setupMinutes, verdict, correctedMinutes }) => [
    id,
    unit,
    part,
    models,
    Math.round(minutes * 1000),
    setupMinutes === null ? null : Math.round(setupMinutes * 1000),
    verdict,
    correctedMinutes,
  ]);

const AROUND = 12;
const linesOf = (text: string): string[] => JSON.stringify(JSON.parse(text), null, 1).split('\n');

/** All commissions taken along as files: what was logged of them, what they pay and what was taken out are the same elsewhere. */
export async function expectTravels(stores: Stores, now: Date): Promise<void> {
  const other = await testDatabase();
  try {
    const commissions = await stores.commissions.listOpen();
    const texts = new Map<string, string>();
    for (const { id } of commissions) texts.set(id, (await exportCommission(stores, id)).text);
    for (const text of texts.values()) await importCommission(other.stores, JSON.parse(text), now);
    expect(await ledgerOf(other.stores), 'Ledger').to.deep.equal(await ledgerOf(stores));
    for (const { id, name } of commissions) {
      const hours = async (of: Stores) => (await loadMoney(of, id, now)).hours.painted;
      expect(await hours(other.stores), `hours of ${name}`).to.be.closeTo(await hours(stores), 1e-6);
      const [there, here] = [(await exportCommission(other.stores, id)).text, texts.get(id)!].map(linesOf) as [string[], string[]];
      const at = here.findIndex((line, index) => line !== there[index]);
      // Where they part, and not the whole files.
      expect(at < 0 ? [] : there.slice(Math.max(0, at - AROUND), at + AROUND), `${name}, line ${at}`).to.deep.equal(
        at < 0 ? [] : here.slice(Math.max(0, at - AROUND), at + AROUND),
      );
      expect(there.length, name).to.equal(here.length);
    }
  } finally {
    await other.close();
  }
}
