import { expect } from 'chai';
import { InputError } from '../../src/core/kernel/InputError';
import { parse } from '../../src/core/formats/fields';
import { buildLine } from '../../src/core/plan/build/buildLine';
import { rosterFrom } from '../../src/contract/trays';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { ConflictError, NotFoundError } from '../../src/server/stores/errors';
import { houseRulesSchema, saveHouseRules } from '../../src/server/house/saveHouseRules';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadTrays } from '../../src/server/plan/loadTrays';
import { saveTrays, saveTraysSchema } from '../../src/server/plan/saveTrays';
import { demoDatabase, testDatabase, type TestDatabase } from '../support/database';

const NOW = new Date('2026-11-23T18:00:00Z');

describe('trays', () => {
  let database: TestDatabase;
  let id: string;
  before(async function () {
    ({ database, id } = await demoDatabase(NOW));
  });
  after(() => database.close());

  const load = () => loadTrays(database.stores, NOW);
  const revisionNow = async () => new Map((await load()).revisions).get(id)!;
  const save = async (input: unknown, of = id) => saveTrays(database.stores, of, parse(saveTraysSchema, input));
  const refusal = (attempt: Promise<unknown>) =>
    attempt.then(
      () => expect.fail('it was not refused'),
      (error: unknown) => error,
    );

  it('are computed from the same line that the Line view shows', async () => {
    const { problem } = await loadLine(database.stores, NOW);
    expect(buildLine(rosterFrom(await load())).problem).to.deep.equal(problem);
  });

  it('are chosen for a unit, which changes the line and loses nothing that is painted', async () => {
    const { units, doneModels } = await load();
    const revision = await revisionNow();
    const unit = units[0]!;
    await save({ revision, units: [{ id: unit.id, trayLimit: 5 }] });
    const after = await load();
    expect(after.units[0]!.trayLimit).to.equal(5);
    expect(await revisionNow()).to.equal(revision + 1);
    expect(after.doneModels).to.deep.equal(doneModels);
    const { trays } = await loadLine(database.stores, NOW);
    expect(trays.filter((tray) => tray.unitId === unit.id).every((tray) => tray.models.length <= 5)).to.equal(true);
  });

  it('are finished one after another where that is said, until it is taken back', async () => {
    const { units } = await load();
    const { id: unit, trayLimit } = units[0]!;
    await save({ revision: await revisionNow(), units: [{ id: unit, trayLimit, trayByTray: true, goesFirst: true }] });
    // A newer number of trays says nothing of it.
    await save({ revision: await revisionNow(), units: [{ id: unit, trayLimit: 5 }] });
    const after = await load();
    expect(after.units[0]).to.include({ trayByTray: true, goesFirst: true, trayLimit: 5 });
    expect((await loadLine(database.stores, NOW)).turns.map(({ kind, unitId }) => [kind, unitId])).to.deep.equal([
      ['trays', unit],
      ['first', unit],
    ]);
    await save({ revision: await revisionNow(), units: [{ id: unit, trayLimit: 5, trayByTray: false, goesFirst: false }] });
    expect((await loadLine(database.stores, NOW)).turns).to.deep.equal([]);
  });

  it('are refused over a newer state, so that an open Intake cannot undo them unseen', async () => {
    const { units } = await load();
    const revision = await revisionNow();
    const entry = { id: units[0]!.id, trayLimit: 4 };
    await save({ revision, units: [entry] });
    expect(await refusal(save({ revision, units: [entry] }))).to.be.instanceOf(ConflictError);
    const commission = (await database.stores.commissions.find(id))!;
    expect(await refusal(saveIntake(database.stores, id, { revision, commission, units: [] }, NOW))).to.be.instanceOf(ConflictError);
    expect((await load()).units).to.have.length(units.length);
  });

  it('are refused for other units and senseless limits, with what to do', async () => {
    const { units } = await load();
    const revision = await revisionNow();
    for (const wrong of [
      { id: 'nobody', trayLimit: 4 },
      { id: units[0]!.id, trayLimit: 0 },
      { id: units[0]!.id, trayLimit: 2.5 },
    ])
      expect(await refusal(save({ revision, units: [wrong] }))).to.be.instanceOf(InputError);
    expect(await refusal(save({ revision, units: [] }, 'nobody'))).to.be.instanceOf(NotFoundError);
    expect(await revisionNow()).to.equal(revision);
  });
});

describe('holders and stretches in House rules', () => {
  let database: TestDatabase;
  before(async () => {
    database = await testDatabase();
  });
  after(() => database.close());

  it('have defaults in rules that were saved before there were any', async () => {
    const rules = await database.stores.houseRules.load();
    const { holderModels: _holders, stretchMinutes: _stretch, ...older } = rules;
    await database.stores.houseRules.save(older as typeof rules, 0);
    expect(await database.stores.houseRules.load()).to.deep.equal(rules);
  });

  it('are kept, and refused below one', async () => {
    const rules = await database.stores.houseRules.load();
    const changed = { ...rules, stretchMinutes: 30, holderModels: { ...rules.holderModels, foot: 12 } };
    await saveHouseRules(database.stores, parse(houseRulesSchema, { revision: 1, rules: changed }), NOW);
    expect(await database.stores.houseRules.load()).to.deep.equal(changed);
    for (const wrong of [
      { ...rules, stretchMinutes: 0 },
      { ...rules, holderModels: { ...rules.holderModels, tiny: 0 } },
      { ...rules, holderModels: {} },
    ])
      expect(() => parse(houseRulesSchema, { revision: 1, rules: wrong })).to.throw(InputError, /rules/);
  });
});
