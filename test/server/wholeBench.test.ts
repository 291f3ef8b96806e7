import { expect } from 'chai';
import { wholeCommission } from '../../src/core/plan/selection';
import { loadOpenPot } from '../../src/server/bench/loadOpenPot';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { loadColours } from '../../src/server/plan/loadColours';
import { loadSharing, priceTwins } from '../../src/server/plan/loadSharing';
import { takeTwin, undoTwin } from '../../src/server/schemes/takeTwin';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadSets } from '../../src/server/plan/loadSets';
import { loadToday } from '../../src/server/today/loadToday';
import { chooseUnits } from '../../src/server/workshop/choice';
import { demoDatabase } from '../support/database';
import { NOW } from '../support/shop';

describe('the whole bench of the demo', () => {
  let demo: Awaited<ReturnType<typeof demoDatabase>>;
  before(async () => {
    demo = await demoDatabase(NOW);
  });
  after(() => demo.database.close());
  const stores = () => demo.database.stores;

  it('gives every commission a date and a chance, the same on Today and at Intake', async () => {
    const today = await loadToday(stores(), NOW);
    const left = today.commissions.filter(({ estimate }) => estimate.likely > 0);
    expect(left).to.have.length(3);
    for (const { commission, outlook } of left) {
      expect(outlook.likelyAt, commission.name).to.be.greaterThan(NOW.getTime());
      expect(outlook.safeAt).to.be.at.least(outlook.likelyAt!);
      expect(outlook.chance).to.be.within(0, 1);
      expect((await loadIntakeFigures(stores(), commission.id, NOW)).outlook).to.deep.equal(outlook);
    }
  });

  it('has the date of the line on the bench where the Line view has it', async () => {
    const today = await loadToday(stores(), NOW);
    const { commission, outlook } = today.commissions.find(({ isOnBench }) => isOnBench)!;
    await chooseUnits(stores(), { selection: wholeCommission(commission.id) });
    const line = await loadLine(stores(), NOW);
    const sets = (await loadSets(stores(), { selection: null, about: null }, NOW))!;
    const before = sets.byCommission[0]![1].before.find(({ commissionId }) => commissionId === commission.id)!;
    expect(line.sessions!.origin + before.end * 60_000).to.be.closeTo(outlook.likelyAt!, 1000);
  });

  it('prices every unit and commission on the line, and names what stands against a set', async () => {
    const [first] = await stores().commissions.listOpen();
    const sets = (await loadSets(stores(), { selection: wholeCommission(first!.id), about: null }, NOW))!;
    expect(sets.onLine).to.deep.equal([first!.id]);
    expect(sets.singly.length).to.be.greaterThan(5);
    for (const [id, price] of sets.byCommission.filter(([each]) => each !== first!.id)) {
      expect(price.order.length, id).to.be.greaterThan(10);
      expect(price.after).to.have.length(3);
    }
    const [other] = sets.byCommission.filter(([each]) => each !== first!.id);
    const alone = (await loadSets(stores(), { selection: wholeCommission(first!.id), about: other![0] }, NOW))!;
    expect(alone.byCommission, 'one commission alone').to.deep.equal([other]);
    expect(alone.singly).to.deep.equal([]);
    expect(sets.suggestions.some(({ obstacles }) => obstacles.some((each) => each.startsWith('sizes differ')))).to.equal(true);
  });

  it('shows each paint with all units that take it, and what sharing saves', async () => {
    const { rows, units } = await loadColours(stores(), NOW);
    expect(
      rows.some(({ cells }) => new Set(cells.map(({ unitId }) => units.find(({ id }) => id === unitId)!.commissionId)).size === 3),
    ).to.equal(true);
    const sharing = (await loadSharing(stores(), null, NOW))!;
    expect(sharing.together.bench).to.be.lessThan(sharing.apart.bench);
    expect(sharing.openings.reduce((sum, [, together]) => sum + together, 0)).to.be.at.most(sharing.together.legs);
  });

  it('finds what an open pot could serve in another commission than the one on the bench', async () => {
    const { rows } = await loadColours(stores(), NOW);
    const uses = await Promise.all(rows.map(({ paint }) => loadOpenPot(stores(), paint.id, NOW)));
    expect(uses.some((of) => new Set(of.map(({ commissionName }) => commissionName)).size > 1)).to.equal(true);
    expect(await loadOpenPot(stores(), 'nothing', NOW)).to.deep.equal([]);
  });

  it('takes one paint for two in every scheme as one change, keeps each scheme as it was, and takes it back', async () => {
    const { rows } = await loadColours(stores(), NOW);
    const opaque = rows.filter(({ paint, isMix, left }) => paint.kind === 'opaque' && !isMix && left > 0);
    const keep = opaque[0]!.paint;
    const others = opaque.slice(1, 6).map(({ paint }) => paint);
    const { prices } = await priceTwins(stores(), { pairs: others.map((other) => [keep.id, other.id]) }, NOW);
    const saved = prices.map(({ savedMinutes }) => savedMinutes);
    expect(Math.max(...saved)).to.be.greaterThan(0);
    const replace = others[saved.indexOf(Math.max(...saved))]!;
    const schemesOf = async () =>
      (await loadWorkshop(stores(), NOW)).units.map(({ id, scheme }) => `${id} ${JSON.stringify(scheme)}`).sort();
    const before = await schemesOf();
    const taken = await takeTwin(stores(), { keep: keep.id, replace: replace.id }, NOW);
    expect((await loadColours(stores(), NOW)).rows.map(({ paint }) => paint.id)).to.not.include(replace.id);
    const kept = await stores().revisions.ofUnits(taken.units.map(({ unitId }) => unitId));
    expect(kept[0]!.note).to.include(keep.name).and.include(replace.name);
    await undoTwin(stores(), taken, NOW);
    expect(await schemesOf()).to.deep.equal(before);
  });

  it('refuses what is no pair, and to take back what was changed since', async () => {
    const { rows } = await loadColours(stores(), NOW);
    const [one, other] = rows.filter(({ paint, isMix }) => paint.kind === 'opaque' && !isMix).map(({ paint }) => paint);
    const wash = rows.find(({ paint }) => paint.kind === 'wash')!.paint;
    const refused = async (keep: string, replace: string) =>
      takeTwin(stores(), { keep, replace }, NOW).then(
        () => 'taken',
        (error: Error) => error.message,
      );
    expect(await refused(one!.id, one!.id)).to.include('another paint');
    expect(await refused(one!.id, wash.id)).to.include('same kind');
    expect(await refused('x', wash.id)).to.include('shelf');
    const taken = await takeTwin(stores(), { keep: one!.id, replace: other!.id }, NOW);
    const again = await undoTwin(
      stores(),
      { units: taken.units.map((each) => ({ ...each, schemeRevision: each.schemeRevision - 1 })) },
      NOW,
    ).then(
      () => 'taken back',
      (error: Error) => error.message,
    );
    expect(again).to.include('changed in another window');
    await undoTwin(stores(), taken, NOW);
  });
});
