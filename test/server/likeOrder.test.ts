import { expect } from 'chai';
import { duplicateCommission } from '../../src/server/intake/lifecycle';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { copyUnits } from '../../src/server/intake/earlierUnits';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { exportTimeLog } from '../../src/server/ledger/loadLog';
import { ALL, entry, minute, NOW, shopForEachTest, unitEntry } from '../support/shop';

const SLOPE = 0.15;
/** Twice as slow as the norm, and faster with every model. */
const minutesOf = (model: number, practised = 0) => 14 * (model + practised) ** -SLOPE;
const total = (practised: number) => ALL.reduce((sum, model) => sum + minutesOf(model, practised), 0);

describe('the same work again', () => {
  const given = shopForEachTest();

  /** Paints both parts of both units, an evening for each unit. */
  async function paintAll(id: string): Promise<void> {
    await given.shop.putOnBench(id);
    let evening = 0;
    for (const unit of ['Keepers', 'Cutters']) {
      let at = evening;
      for (const part of ['Coat', 'Cap']) {
        const pass = await given.shop.pass(unit, part);
        const events = [given.shop.event(at, 'started', given.shop.of(pass))];
        for (const model of ALL)
          events.push(given.shop.event((at += minutesOf(model)), 'done', { ...given.shop.of(pass), models: [model] }));
        await given.shop.record(events);
        at += 3;
      }
      evening += 24 * 60;
    }
  }

  it('is estimated within a tenth of what the first took, repetition included, however it was copied', async () => {
    const { id, units } = await given.shop.commission();
    const before = await loadEstimate(given.stores, id, NOW);
    await paintAll(id);
    const later = minute(3 * 24 * 60);
    const copy = await duplicateCommission(given.stores, id, { name: 'Coast again', dueOn: '2027-01-10' }, later);
    const truth = 4 * total(0.5 * ALL.length);
    const like = await loadEstimate(given.stores, copy.id, later);
    expect(like.handsOn / truth).to.be.within(0.9, 1.1);
    expect(before.handsOn / truth, 'what was estimated before anything was known').to.be.lessThan(0.6);

    const other = await given.shop.commission('Square', [unitEntry('Bakers')]);
    await copyUnits(given.stores, other.id, { unitIds: [units[0]!.id] }, later);
    const { units: estimated } = await loadEstimate(given.stores, other.id, later);
    const [bakers, keepers] = estimated.map(({ handsOn }) => handsOn);
    expect(keepers! / (truth / 2)).to.be.within(0.9, 1.1);
    expect(Math.abs(bakers! / (truth / 2) - 1), 'a unit that is no copy').to.be.greaterThan(Math.abs(keepers! / (truth / 2) - 1));
  });

  it('keeps its lineage in the log, in the CSV and in the file of the commission', async () => {
    const { id } = await given.shop.commission();
    await paintAll(id);
    const copy = await duplicateCommission(given.stores, id, { name: `${entry.name} again`, dueOn: '2027-01-10' }, NOW);
    await given.shop.putOnBench(copy.id, minute(4000));
    const pass = await given.shop.pass('Keepers', 'Coat');
    expect(pass.like).to.be.a('string');
    await given.shop.record(given.shop.painting(pass, [1, 2], 5, 4000));
    const rows = await given.shop.rows();
    expect(rows.at(-1)).to.include({ stepId: pass.stepId, stepLike: pass.like });
    expect(rows.map(({ stepId }) => stepId)).to.include(pass.like);
    const csv = await exportTimeLog(given.stores);
    expect(csv.split('\r\n')[0]).to.match(/,commission_then,unit_then,step_like,called$/);
    expect(csv.trimEnd().split('\r\n').at(-1)).to.match(new RegExp(`,Keepers,${pass.like},$`));
    const file = JSON.parse((await exportCommission(given.stores, copy.id)).text) as {
      units: { scheme: { parts: { steps: { like?: { step: string } }[] }[] } }[];
    };
    expect(file.units[0]!.scheme.parts[0]!.steps[0]!.like!.step).to.equal(pass.like);
  });
});
