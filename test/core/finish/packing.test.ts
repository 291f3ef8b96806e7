import { expect } from 'chai';
import { NO_FINISHING, type Box } from '../../../src/core/finish/definitions';
import { modelsIn, packingOf, packRest, unreturned } from '../../../src/core/finish/packing';
import { arrivesOn, dayAfter, daysBetween, goesOn, leavesBy, weekdayOf } from '../../../src/core/finish/parcelDays';
import { Random, seeds } from '../../support/random';
import { unit } from '../../support/units';

describe('packing', () => {
  for (const seed of seeds(60))
    it(`accounts for every model that was promised (seed ${seed})`, () => {
      const random = new Random(seed);
      const promised = random.whole(1, 60);
      const owned = random.whole(0, promised);
      const counted = random.pick([null, promised - owned, random.whole(0, 70)]);
      const keepers = unit('Keepers', [], [], { promised, owned, counted });
      const boxes: Box[] = Array.from({ length: random.whole(0, 4) }, (_, at) => ({
        id: `b${at}`,
        name: `Box ${at}`,
        layers: Array.from({ length: random.whole(0, 4) }, (_layer, on) => ({
          id: `l${at}${on}`,
          unitId: random.pick([keepers.id, 'another']),
          models: random.whole(0, 12),
        })),
      }));
      const row = packingOf(keepers, boxes);
      expect(row.packed + row.unpacked + row.owned + row.notSent).to.equal(promised);
      let ids = 0;
      const all = packRest(
        { ...NO_FINISHING, boxes },
        { unitId: keepers.id, models: row.unpacked },
        boxes.at(-1)?.id ?? null,
        () => `n${++ids}`,
      );
      const after = packingOf(keepers, all.boxes);
      expect(after.unpacked).to.equal(Math.min(0, row.unpacked));
      expect(after.packed + after.unpacked + after.owned + after.notSent).to.equal(promised);
    });

  it('lays what is left on top of a box, or in a new one', () => {
    let ids = 0;
    const first = packRest(NO_FINISHING, { unitId: 'a', models: 3 }, null, () => `n${++ids}`);
    expect(first.boxes.map(({ name }) => name)).to.deep.equal(['Box 1']);
    const second = packRest(first, { unitId: 'b', models: 2 }, first.boxes[0]!.id, () => `n${++ids}`);
    expect(second.boxes[0]!.layers.map(({ unitId, models }) => [unitId, models])).to.deep.equal([
      ['a', 3],
      ['b', 2],
    ]);
    expect(modelsIn(second.boxes[0]!)).to.equal(5);
    expect(packRest(second, { unitId: 'b', models: 0 }, null, () => 'x')).to.deep.equal(second);
    expect(unreturned([{ id: 'r', kind: 'bits', what: '', count: 5, packed: 2 }])).to.equal(3);
  });
});

describe('the days of a parcel', () => {
  it('go back from the day promised to one on which parcels are taken', () => {
    expect(weekdayOf('2026-11-30')).to.equal(0);
    expect(leavesBy('2026-12-20', { transitDays: 0, carrierDays: [] })).to.equal('2026-12-20');
    expect(leavesBy('2026-12-27', { transitDays: 9, carrierDays: [0, 3] })).to.equal('2026-12-17');
    // Over the end of a year, and over summer time.
    expect(leavesBy('2027-01-01', { transitDays: 3, carrierDays: [2] })).to.equal('2026-12-23');
    expect(dayAfter('2026-03-28', 2)).to.equal('2026-03-30');
    expect(daysBetween('2026-10-24', '2026-10-26')).to.equal(2);
  });

  for (const seed of seeds(40))
    it(`never promise what cannot be kept (seed ${seed})`, () => {
      const random = new Random(seed);
      const days = { transitDays: random.whole(0, 20), carrierDays: [0, 1, 2, 3, 4, 5, 6].filter(() => random.whole(0, 2) === 0) };
      const promised = dayAfter('2026-12-01', random.whole(0, 400));
      const last = leavesBy(promised, days);
      const isTaken = (day: string) => days.carrierDays.length === 0 || days.carrierDays.includes(weekdayOf(day));
      expect(isTaken(last)).to.equal(true);
      expect(daysBetween(arrivesOn(last, days), promised)).to.be.within(0, 6);
      // Whoever is ready by then goes in time; a day later nobody does.
      expect(daysBetween(arrivesOn(goesOn(last, days), days), promised)).to.be.at.least(0);
      expect(daysBetween(arrivesOn(goesOn(dayAfter(last, 1), days), days), promised)).to.be.below(0);
    });
});
