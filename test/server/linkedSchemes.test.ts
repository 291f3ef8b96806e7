import { expect } from 'chai';
import { ulid } from 'ulid';
import { readCommission } from '../../src/core/formats/commission/commission';
import { allSteps } from '../../src/core/scheme/model/allSteps';
import type { Scheme } from '../../src/core/scheme/model/definitions';
import type { StoredUnit } from '../../src/core/commission/definitions';
import { changePart, removePart } from '../../src/core/scheme/authoring/edits';
import { sharedId } from '../../src/core/scheme/authoring/linked';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { duplicateCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { linkSchemes } from '../../src/server/schemes/linkSchemes';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { entry, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { leaderGroup, part, step } from '../support/units';

/** What of schemes is said once: everything but who is who, by the names that all units have for it. */
function said({ parts, allOver, mixes, schools, rules, off, stops }: Scheme) {
  const names = new Map([...parts, ...allSteps({ parts, allOver })].map((piece) => [piece.id, sharedId(piece)]));
  const json = JSON.stringify({ parts, allOver, mixes, schools, rules, off, stops }, (key, value: unknown) =>
    ['shared', 'like'].includes(key) ? undefined : typeof value === 'string' ? (names.get(value) ?? value) : value,
  );
  return JSON.parse(json) as unknown;
}

describe('units that are painted by one scheme', () => {
  const given = shopForEachTest();
  const unitsNow = (id: string) => given.stores.commissions.units(id);
  const save = async (id: string, units: Parameters<typeof saveIntake>[2]['units']) => {
    const { revision } = (await given.stores.commissions.find(id))!;
    await saveIntake(given.stores, id, { revision, commission: entry, units }, NOW);
  };
  const change = (unit: StoredUnit, scheme: Scheme) => saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme }, NOW);
  const link = (unit: StoredUnit, others: StoredUnit[]) =>
    linkSchemes(given.stores, unit.id, { link: others.map(({ id }) => id), unlink: [] }, NOW);

  /** Seven units; the first has a scheme, two have one of their own already. */
  async function army() {
    const names = ['Keepers', 'Cutters', 'Crew', 'Couriers', 'Wardens', 'Riders', 'Pilots'];
    const { id } = await given.shop.commission(
      'Coast',
      names.map((name) => unitEntry(name)),
    );
    const [first, ...others] = await unitsNow(id);
    await link(first!, others);
    return { id, units: await unitsNow(id) };
  }

  it('have all of it with ids of their own, and keep who is who', async () => {
    const { units } = await army();
    expect(new Set(units.map(({ linked }) => linked)).size).to.equal(1);
    const [first, second] = units;
    for (const unit of units) expect(said(unit.scheme), unit.name).to.deep.equal(said(first!.scheme));
    const ids = units.flatMap(({ scheme }) => allSteps(scheme).map((each) => each.id));
    expect(new Set(ids).size).to.equal(ids.length);
    await change(first!, { ...first!.scheme, groups: [{ ...leaderGroup(0), models: [4] }] });
    expect((await unitsNow(first!.commissionId))[1]!.scheme.groups).to.deep.equal(second!.scheme.groups);
  });

  it('take what is changed in any of them, in one save, with what is painted kept', async () => {
    const { id, units } = await army();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Crew', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 1));
    const pilots = units.at(-1)!;
    const [coat, cap] = pilots.scheme.parts;
    const hem = { ...part('Hem', step('layer', { id: ulid(), paint: 'blue', for: { only: ['leaders'] } })), id: ulid() };
    const parts = [{ ...coat!, surface: 0.4, steps: [{ ...coat!.steps[0]!, coats: 2 }] }, hem, cap!];
    const { linked } = await change(pilots, { ...pilots.scheme, parts });
    expect(linked).to.have.length(6);
    const now = await unitsNow(id);
    for (const unit of now) expect(said(unit.scheme), unit.name).to.deep.equal(said(now.at(-1)!.scheme));
    expect(linked.map(({ scheme }) => scheme)).to.deep.equal(now.slice(0, -1).map(({ scheme }) => scheme));
    const { marks } = await given.shop.bench();
    const crew = now.find(({ name }) => name === 'Crew')!;
    expect(crew.scheme.parts.map(({ name }) => name)).to.deep.equal(['Coat', 'Hem', 'Cap']);
    expect([...marks.marks.get(`${crew.scheme.parts[0]!.steps[0]!.id}#1`)!.keys()]).to.deep.equal([1, 2, 3]);
  });

  it('get back what was taken out in another of them as what it was', async () => {
    const { id, units } = await army();
    const [keepers, cutters] = units;
    const [coat, cap] = units.map(({ scheme }) => scheme.parts)[0]!;
    await change(cutters!, removePart(cutters!.scheme, cutters!.scheme.parts[0]!.id));
    expect((await unitsNow(id))[0]!.scheme.parts).to.deep.equal([cap]);
    const now = (await unitsNow(id))[1]!;
    await change(now, { ...now.scheme, parts: [...now.scheme.parts, cutters!.scheme.parts[0]!] });
    expect((await unitsNow(id))[0]!.scheme.parts).to.deep.equal([cap, coat]);
    expect(keepers!.scheme.parts).to.deep.equal([coat, cap]);
  });

  it('know their pieces again when an older state comes back that did not share them yet', async () => {
    const { id, units } = await army();
    const [kept] = await given.stores.revisions.ofUnits([units[2]!.id]);
    expect(kept!.note).to.equal('Before it was painted by the scheme of Keepers.');
    const before = (await unitsNow(id)).map(({ scheme }) => allSteps(scheme).map((each) => each.id));
    await change(units[2]!, kept!.scheme);
    expect((await unitsNow(id)).map(({ scheme }) => allSteps(scheme).map((each) => each.id))).to.deep.equal(before);
  });

  it('deal out alike what a step asks for and they do not have', async () => {
    const { id, units } = await army();
    const options = [
      { id: 'tan', name: 'tan', models: [1, 2, 3, 4, 5, 6] },
      { id: 'tar', name: 'tar', models: [7, 8, 9, 10] },
    ];
    const [coat, cap] = units[0]!.scheme.parts;
    const boots = { ...cap!, steps: [{ ...cap!.steps[0]!, paintFor: [{ option: 'tar', paint: 'red' }] }] };
    await change(units[0]!, { ...units[0]!.scheme, variants: [{ id: 'boots', name: 'Boots', options }], parts: [coat!, boots] });
    const second = (await unitsNow(id))[1]!;
    expect(second.scheme.variants).to.deep.equal([{ id: 'boots', name: 'Boots', options }]);
    // Dealt otherwise there, it stays so; taken out, it goes everywhere.
    const other = [
      { ...options[0]!, models: [1] },
      { ...options[1]!, models: [2, 3, 4, 5, 6, 7, 8, 9, 10] },
    ];
    await change(second, { ...second.scheme, variants: [{ id: 'boots', name: 'Boots', options: other }] });
    const [first, ...rest] = await unitsNow(id);
    expect(first!.scheme.variants[0]!.options).to.deep.equal(options);
    expect(rest[0]!.scheme.variants[0]!.options).to.deep.equal(other);
    await change(first!, { ...first!.scheme, variants: [], parts: [coat!, cap!] });
    expect((await unitsNow(id)).map(({ scheme }) => scheme.variants)).to.deep.equal(units.map(() => []));
  });

  it('are refused where something is painted that the scheme does not have', async () => {
    const { id } = await given.shop.commission();
    const [keepers, cutters] = await unitsNow(id);
    await change(cutters!, { ...cutters!.scheme, allOver: [step('wash', { id: ulid(), paint: 'red' })] });
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Cutters', null), [1], 1));
    const [, now] = await unitsNow(id);
    expect((await rejected(link(keepers!, [now!]))).message).to.match(/^Models of Cutters have wash that this scheme does not have: write/);
    expect((await unitsNow(id)).map(({ linked }) => linked)).to.deep.equal([null, null]);
  });

  it('go their own ways again with what they have', async () => {
    const { id, units } = await army();
    const crew = units[2]!;
    await linkSchemes(given.stores, crew.id, { link: [], unlink: [crew.id] }, NOW);
    const [keepers] = await unitsNow(id);
    await change(keepers!, changePart(keepers!.scheme, keepers!.scheme.parts[0]!.id, { name: 'Cloak' }));
    const now = await unitsNow(id);
    expect(now.map(({ scheme }) => scheme.parts[0]!.name)).to.deep.equal(['Cloak', 'Cloak', 'Coat', 'Cloak', 'Cloak', 'Cloak', 'Cloak']);
    // Linked once more they are the same pieces; who is left alone shares nothing.
    await link(now[0]!, [now[2]!]);
    expect(allSteps((await unitsNow(id))[2]!.scheme).map((each) => each.id)).to.deep.equal(allSteps(crew.scheme).map((each) => each.id));
    await linkSchemes(given.stores, keepers!.id, { link: [], unlink: units.slice(1).map((unit) => unit.id) }, NOW);
    expect((await unitsNow(id)).map(({ linked }) => linked)).to.deep.equal(units.map(() => null));
  });

  it('stay linked in a file, in a like order and through Intake, also when one comes back there', async () => {
    const { id, units } = await army();
    const file = readCommission(JSON.parse((await exportCommission(given.stores, id)).text));
    expect(file.units.map(({ linked, scheme }) => ({ linked, scheme }))).to.deep.equal(
      units.map(({ linked, scheme }) => ({ linked, scheme })),
    );
    const copy = await duplicateCommission(given.stores, id, { name: 'Coast again', dueOn: '2027-01-01' }, NOW);
    const copies = await unitsNow(copy.id);
    expect(new Set(copies.map(({ linked }) => linked)).size).to.equal(1);
    expect(copies[0]!.linked).not.to.equal(units[0]!.linked);
    for (const each of copies) expect(said(each.scheme)).to.deep.equal(said(copies[0]!.scheme));

    const entries = () =>
      unitsNow(id).then((all) => all.map(({ commissionId: _, schemeRevision: _revision, scheme: _scheme, ...unit }) => unit));
    const [keepers, ...others] = await entries();
    await save(id, others);
    const [cutters] = await unitsNow(id);
    await change(cutters!, changePart(cutters!.scheme, cutters!.scheme.parts[0]!.id, { name: 'Cloak' }));
    await save(id, [keepers!, ...others]);
    expect((await unitsNow(id)).map(({ scheme }) => scheme.parts[0]!.name)).to.deep.equal(units.map(() => 'Cloak'));
    await save(id, [...(await entries()).map((unit) => ({ ...unit, cleaning: 'all round' as const }))]);
    const cleaned = await unitsNow(id);
    expect(cleaned.map(({ scheme }) => scheme.allOver.map(({ technique }) => technique))).to.deep.equal(units.map(() => ['clean']));
    for (const each of cleaned) expect(said(each.scheme)).to.deep.equal(said(cleaned[0]!.scheme));
  });

  it('refuses a window that was opened before another unit changed the scheme', async () => {
    const { units } = await army();
    await change(units[0]!, changePart(units[0]!.scheme, units[0]!.scheme.parts[0]!.id, { name: 'Cloak' }));
    expect((await rejected(change(units[1]!, units[1]!.scheme))).message).to.include('changed in another window');
  });
});
