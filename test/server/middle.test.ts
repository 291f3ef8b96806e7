import { EMPTY_SCHEME } from '../../src/core/scheme/model/definitions';
import { expect } from 'chai';
import { ulid } from 'ulid';
import { wholeCommission } from '../../src/core/plan/selection';
import { acceptChanges, putOnBench } from '../../src/server/bench/putOnBench';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { closeCommission, deleteCommission, duplicateCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { saveTrays } from '../../src/server/plan/saveTrays';
import { tracePaint } from '../../src/server/shelf/tracePaint';
import { judgeRow, loadLog } from '../../src/server/ledger/loadLog';
import { loadToday } from '../../src/server/today/loadToday';
import { ALL, entry, minute, NOW, shopForEachTest, unitEntry } from '../support/shop';
import { step } from '../support/units';

describe('in the middle of the work', () => {
  const given = shopForEachTest();

  it('keeps what is painted whatever line is laid, laid again or thrown away', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2));
    const { line } = await given.shop.bench();
    await given.shop.putOnBench([{ commissionId: id, unitIds: [pass.unitId] }], minute(10));
    await given.shop.putOnBench(id, minute(20));
    const again = await given.shop.bench(minute(21));
    expect([...again.marks.marks.get(pass.key)!.keys()]).to.deep.equal([1, 2, 3]);
    expect(again.line.jobs).to.have.length(line.jobs.length);
    expect((await loadEstimate(given.stores, id, NOW)).stepsDone).to.equal(3);
    await given.stores.workshop.putOnBench(null);
    expect((await loadEstimate(given.stores, id, NOW)).stepsDone).to.equal(3);
  });

  it('paints units of two commissions on one line, with one clock', async () => {
    const coast = await given.shop.commission('Coast');
    const square = await given.shop.commission('Square', [unitEntry('Bakers')]);
    await given.shop.putOnBench([...wholeCommission(coast.id), ...wholeCommission(square.id)]);
    const keepers = await given.shop.pass('Keepers', 'Coat');
    const bakers = await given.shop.pass('Bakers', 'Coat');
    await given.shop.record([...given.shop.painting(keepers, [1, 2], 2), ...given.shop.painting(bakers, [1, 2], 2, 5)]);
    const rows = await given.shop.rows();
    expect(rows.map((row) => [row.commission, row.minutes, row.setupMinutes])).to.deep.equal([
      ['Coast', 4, null],
      ['Square', 4, 1],
    ]);
    const today = await loadToday(given.stores, NOW);
    expect(today.bench!.names).to.have.members(['Coast', 'Square']);
  });

  it('changes no experience when everything is renamed and a size is changed', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, ALL, 4));
    const why = async () => (await loadEstimate(given.stores, id, NOW)).passes.find((each) => each.passKey === pass.key)!;
    const before = await why();
    const renamed = units.map((unit) => ({ ...unit, name: `${unit.name}, renamed` }));
    await saveIntake(given.stores, id, { revision: 2, commission: { ...entry, name: 'Other name' }, units: renamed }, NOW);
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const scheme = { ...unit.scheme, parts: unit.scheme.parts.map((part) => ({ ...part, name: `${part.name}, renamed` })) };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme }, NOW);
    expect(await why()).to.deep.equal(before);
    await saveIntake(
      given.stores,
      id,
      {
        revision: 3,
        commission: entry,
        units: renamed.map((each) => ({ ...each, size: 'heavy' as const })),
      },
      NOW,
    );
    expect((await why()).why).to.match(/^10 models of this step logged/);
    const [row] = await given.shop.rows();
    expect(row).to.include({ unit: 'Keepers', part: 'Coat', size: 'foot' });
    const [shown] = (await loadLog(given.stores, NOW)).first.rows;
    expect(shown).to.include({ commission: 'Coast', unit: 'Keepers, renamed', part: 'Coat' });
  });

  it('keeps two commissions of one name apart', async () => {
    const first = await given.shop.commission('Coast');
    const twin = await given.shop.commission('Coast', [unitEntry('Keepers'), unitEntry('Cutters')]);
    await given.shop.putOnBench(first.id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), ALL, 9));
    const estimate = await loadEstimate(given.stores, twin.id, NOW);
    expect(estimate.stepsDone).to.equal(0);
    for (const pass of estimate.passes) expect(pass.why).to.match(/^None of this step logged yet/);
  });

  it('says at the bench what has come and gone since the line was laid', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    expect((await given.shop.bench()).changes).to.deep.equal({ added: 0, gone: 0 });
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const edge = step('edge', { id: ulid(), paint: 'blue' });
    const [coat, cap] = unit.scheme.parts;
    const scheme = { ...unit.scheme, parts: [{ ...coat!, steps: [...coat!.steps, edge] }, cap!] };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme }, NOW);
    await saveIntake(given.stores, id, { revision: 2, commission: entry, units: [units[0]!] }, NOW);
    const changed = await given.shop.bench();
    expect(changed.changes).to.deep.equal({ added: 1, gone: 2 });
    const place = (key: string) => changed.line.jobs.findIndex((job) => job.passKey === key);
    expect(place(`${edge.id}#1`)).to.be.greaterThan(place(`${coat!.steps[0]!.id}#1`));
    await acceptChanges(given.stores, NOW);
    expect((await given.shop.bench()).changes).to.deep.equal({ added: 0, gone: 0 });
  });

  it('takes other trays and other counts over while a job is half done', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2));
    await saveTrays(given.stores, id, { revision: 2, units: [{ id: units[0]!.id, trayLimit: 5 }] });
    const split = await given.shop.bench();
    expect(split.line.jobs.filter((job) => job.passKey === pass.key).map((job) => job.models)).to.deep.equal([
      [1, 2, 3, 4, 5],
      [6, 7, 8, 9, 10],
    ]);
    expect([...split.marks.marks.get(pass.key)!.keys()]).to.deep.equal([1, 2, 3]);
    await saveIntake(
      given.stores,
      id,
      {
        revision: 3,
        commission: entry,
        units: [{ ...units[0]!, promised: 12, trayLimit: 5 }, units[1]!],
      },
      NOW,
    );
    const more = (await loadEstimate(given.stores, id, NOW)).passes.find((each) => each.passKey === pass.key)!;
    expect(more).to.include({ modelsLeft: 9, modelsTotal: 12 });
  });

  it('keeps what was really done when the step is changed afterwards', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2));
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const scheme = {
      ...unit.scheme,
      parts: unit.scheme.parts.map((part) => ({
        ...part,
        steps: part.steps.map((each) => (each.id === pass.stepId ? { ...each, paintId: 'blue', technique: 'layer' as const } : each)),
      })),
    };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme }, NOW);
    const [row] = await given.shop.rows();
    expect(row).to.include({ technique: 'basecoat', models: 3 });
    const [first] = await given.stores.bench.after(0, 1);
    expect(first!.facts).to.include({ paintId: 'red', technique: 'basecoat' });
    // Painted again, the models carry the new paint and what was logged stays.
    await given.shop.record([given.shop.event(30, 'reopened', { ...given.shop.of(pass), models: [1, 2] })]);
    const now = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([
      given.shop.event(40, 'started', { ...given.shop.of(now), facts: { ...first!.facts!, paintId: 'blue', technique: 'layer' } }),
      given.shop.event(42, 'done', { ...given.shop.of(now), models: [1] }),
    ]);
    expect((await given.shop.rows()).map((each) => [each.technique, each.models])).to.deep.equal([
      ['basecoat', 3],
      ['layer', 1],
    ]);
    expect((await given.shop.bench()).marks.marks.get(pass.key)!.get(1)!.setupId).to.equal('layer|blue');
    const carriers = async (paintId: string) => (await tracePaint(given.stores, paintId)).map(({ unit: name, models }) => [name, models]);
    expect(await carriers('red')).to.deep.equal([['Keepers', [3]]]);
    expect(await carriers('blue')).to.deep.equal([['Keepers', [1]]]);
    expect(await carriers('none')).to.deep.equal([]);
  });

  it('puts removed parts and steps aside, and forgets them when they are back', async () => {
    const { units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const [coat] = unit.scheme.parts;
    await saveScheme(given.stores, unit.id, { revision: 2, scheme: { ...EMPTY_SCHEME, parts: [coat!], allOver: [] } }, NOW);
    const [removed] = await given.stores.commissions.removedPieces([unit.id]);
    expect(removed!.piece).to.deep.equal({ kind: 'part', part: unit.scheme.parts[1] });
    await saveScheme(given.stores, unit.id, { revision: 3, scheme: unit.scheme }, NOW);
    expect(await given.stores.commissions.removedPieces([unit.id])).to.deep.equal([]);
  });

  it('undoes over evenings, lines and devices', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    const events = given.shop.painting(pass, [1, 2], 2);
    await given.shop.record(events);
    await given.shop.putOnBench(id, minute(1440));
    await given.shop.record([given.shop.event(1441, 'undone', { target: events[2]!.id })]);
    expect([...(await given.shop.bench(minute(1442))).marks.marks.get(pass.key)!.keys()]).to.deep.equal([1]);
    expect((await given.shop.rows()).map((row) => [row.models, row.minutes])).to.deep.equal([[1, 2]]);
  });

  it('takes taps of an evening offline in any order and piece by piece', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = given.shop.painting(await given.shop.pass('Keepers', 'Coat'), ALL, 2);
    const cap = given.shop.painting(await given.shop.pass('Keepers', 'Cap'), ALL, 3, 25);
    await given.shop.record(cap.slice(4));
    await given.shop.record(coat.slice(3));
    await given.shop.record([...cap.slice(0, 4), ...coat.slice(0, 3)]);
    expect((await given.shop.rows()).map((row) => [row.part, row.models, row.minutes, row.setupMinutes])).to.deep.equal([
      ['Coat', 10, 20, null],
      ['Cap', 10, 30, 5],
    ]);
  });

  it('lets a time be filled in, changed and taken back; the measured one stays', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    const late = [
      given.shop.event(0, 'started', given.shop.of(pass)),
      ...ALL.map((model) => given.shop.event(0.05 + model / 1000, 'done', { ...given.shop.of(pass), models: [model] })),
    ];
    await given.shop.record(late);
    const [row] = await given.shop.rows();
    expect(row).to.include({ open: 'late', models: 10 });
    const p50 = async () => (await loadEstimate(given.stores, id, NOW)).passes.find((each) => each.passKey === pass.key)!;
    expect((await p50()).why).to.match(/^Nothing logged yet/);
    await judgeRow(given.stores, row!.id, { verdict: 'counts', correctedMinutes: 25 });
    expect((await p50()).why).to.match(/^10 models of this step logged/);
    await judgeRow(given.stores, row!.id, { verdict: 'unsure', correctedMinutes: null });
    expect((await p50()).why).to.match(/^Nothing logged yet/);
    expect((await given.shop.rows())[0]!.minutes).to.equal(row!.minutes);
    expect((await given.stores.timeLog.open([pass.unitId])).map((each) => each.id)).to.deep.equal([row!.id]);
  });

  it('lets a row that was corrected while it was in hand grow by what comes after', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2], 2));
    const [row] = await given.shop.rows();
    await judgeRow(given.stores, row!.id, { verdict: 'counts', correctedMinutes: 8 });
    await given.shop.record([given.shop.event(8, 'done', { ...given.shop.of(pass), models: [3] })]);
    expect((await given.shop.rows())[0]).to.include({ models: 3, minutes: 8, correctedMinutes: 12, verdict: 'counts' });
    const { text } = await exportCommission(given.stores, id);
    expect(JSON.parse(text).judgements).to.deep.equal([{ id: row!.id, verdict: 'counts', correctedMinutes: 8, ofModels: 2, ofMinutes: 4 }]);
  });

  it('asks about models ticked off later in a row whose minutes were told', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    const ticked = (models: number[], from: number) =>
      models.map((model, index) => given.shop.event(from + index / 100, 'done', { ...given.shop.of(pass), models: [model] }));
    await given.shop.record([given.shop.event(0, 'started', given.shop.of(pass)), ...ticked([1, 2, 3, 4], 0.05)]);
    const [row] = await given.shop.rows();
    await judgeRow(given.stores, row!.id, { verdict: 'counts', correctedMinutes: 8 });
    expect(await given.stores.timeLog.open([pass.unitId])).to.deep.equal([]);
    await given.shop.record(ticked([5, 6], 0.1));
    const [open] = await given.stores.timeLog.open([pass.unitId]);
    expect(open).to.deep.include({ models: 6, verdict: 'unsure', correctedMinutes: null });
    expect(open!.said).to.include({ correctedMinutes: 8, ofModels: 4 });
  });

  it('closes, opens again, duplicates, deletes and brings back a commission', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), ALL, 2));
    const before = await loadEstimate(given.stores, id, NOW);
    await closeCommission(given.stores, id, { closed: true }, NOW);
    expect((await loadToday(given.stores, NOW)).commissions).to.deep.equal([]);
    expect((await loadToday(given.stores, NOW)).bench).to.equal(null);
    expect(await given.shop.rows()).to.have.length(1);
    await closeCommission(given.stores, id, { closed: false }, NOW);
    expect(await loadEstimate(given.stores, id, NOW)).to.deep.equal(before);
    const copy = await duplicateCommission(given.stores, id, { name: 'Coast, again', dueOn: '2027-01-10' }, NOW);
    const like = await loadEstimate(given.stores, copy.id, NOW);
    expect(like).to.include({ stepsDone: 0, stepsTotal: before.stepsTotal });
    await deleteCommission(given.stores, id, { deleted: true }, NOW);
    expect((await given.stores.commissions.listOpen()).map((commission) => commission.id)).to.deep.equal([copy.id]);
    expect(await given.shop.rows()).to.have.length(1);
    await deleteCommission(given.stores, id, { deleted: false }, NOW);
    expect((await loadEstimate(given.stores, id, NOW)).stepsDone).to.equal(before.stepsDone);
  });

  it('refuses a line over units that are not there', async () => {
    const { id } = await given.shop.commission();
    const { suggested } = await given.shop.line(id);
    const error = await putOnBench(given.stores, { selection: wholeCommission('gone'), line: { order: suggested, wishes: [] } }, NOW).catch(
      (problem: Error) => problem,
    );
    expect((error as Error).message).to.match(/nothing is left to paint here/);
  });
});
