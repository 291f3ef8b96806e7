import { expect } from 'chai';
import { DEFAULT_TERMS, type QuoteTerms, type Rate, type UnitWork } from '../../../src/core/money/definitions';
import { priceWork, shareOut } from '../../../src/core/money/priceWork';
import { Random, seeds } from '../../support/random';

const EURO: Rate = { hourlyRateMinor: 3000, currency: 'EUR', minorPerMajor: 100 };
/** Draws from 0 to 1,000 minutes in steps of 10: the quantile of a share is 1,000 times it. */
const work = (unitId: string, factor = 1, likely = 500 * factor): UnitWork => ({
  unitId,
  name: unitId,
  models: 10,
  likely,
  draws: Array.from({ length: 101 }, (_, index) => index * 10 * factor),
  stages: { build: 0, base: 0, tail: 0 },
});
const terms = (more: Partial<QuoteTerms> = {}): QuoteTerms => ({ ...DEFAULT_TERMS, ...more });
const material = (amountMinor: number) => ({ id: 'm', kind: 'paint' as const, what: '', amountMinor });

describe('the price of work', () => {
  it('pays the hours that are enough with the chance chosen', () => {
    const price = priceWork([work('a')], terms(), EURO);
    // 800 minutes at 30 an hour.
    expect(price).to.include({ likely: 500, quoted: 800, workMinor: 40_000, totalMinor: 40_000, adjustedMinor: 0 });
    expect(price.holds).to.be.closeTo(0.8, 0.01);
    expect(priceWork([work('a')], terms({ chance: 0.9 }), EURO).totalMinor).to.equal(45_000);
  });

  it('never pays fewer hours than are likely', () => {
    expect(priceWork([work('a', 1, 700)], terms({ chance: 0.5 }), EURO).quoted).to.equal(700);
  });

  it('is of all units together: what they do not share averages out', () => {
    const up = work('up');
    const down = { ...work('down'), draws: work('down').draws.toReversed() };
    expect(priceWork([up, down], terms(), EURO).quoted).to.equal(1000);
    expect(priceWork([up, work('too')], terms(), EURO).quoted).to.equal(1600);
  });

  it('takes the discount off the work, rounds that up, and adds materials as typed', () => {
    const price = priceWork(
      [work('a')],
      terms({ discountShare: 0.333, materials: [material(1235), material(10)], depositShare: 0.25 }),
      EURO,
    );
    expect(price).to.include({
      workMinor: 40_000,
      discountMinor: -13_320,
      adjustedMinor: 20,
      adjustedFor: 'rounding',
      materialsMinor: 1245,
    });
    expect(price).to.include({ totalMinor: 26_700 + 1245, depositMinor: 7000 });
    expect(price.holds, 'a discount is not fewer hours').to.be.closeTo(0.8, 0.01);
  });

  it('charges the minimum, materials and all', () => {
    const price = priceWork([work('a', 0.01)], terms({ minimumMinor: 5000, materials: [material(995)] }), EURO);
    expect(price).to.include({ totalMinor: 5000, adjustedFor: 'minimum' });
    expect(price.holds).to.equal(1);
  });

  it('charges the work as it is where that comes to the minimum with its materials', () => {
    const just = terms({ minimumMinor: 40_995, materials: [material(995)] });
    expect(priceWork([work('a')], just, EURO)).to.include({ totalMinor: 40_995, adjustedFor: 'rounding' });
  });

  it('counts a draw that the hours paid just reach', () => {
    // 800.3 minutes, rounded up to the euro and paid back as 801: the draws of 0 to 800.
    const odd = { ...work('a'), draws: [800.3, 0, 400], likely: 800.3 };
    expect(priceWork([odd], terms({ ownPriceMinor: 40_015 }), EURO).holds).to.equal(1);
    expect(priceWork([odd], terms({ ownPriceMinor: 40_014 }), EURO).holds).to.be.closeTo(2 / 3, 1e-9);
  });

  it('goes by how large draws are, not by their order', () => {
    const mixed = work('a').draws.toSorted((a, b) => (a % 70) - (b % 70));
    expect(priceWork([{ ...work('a'), draws: mixed }], terms(), EURO)).to.include({ quoted: 800 });
  });

  it("takes materials out of the painter's own price, and never asks less than them", () => {
    const own = (ownPriceMinor: number) => priceWork([work('a')], terms({ ownPriceMinor, materials: [material(995)] }), EURO);
    expect(own(25_995).units[0]!.priceMinor).to.equal(25_000);
    expect(own(25_995).totalMinor).to.equal(25_995);
    expect(own(500)).to.include({ totalMinor: 995, adjustedMinor: -40_000 });
  });

  it("says how often the hours of the painter's own price are enough", () => {
    const price = priceWork([work('a')], terms({ ownPriceMinor: 25_000, otherMinutes: 100 }), EURO);
    expect(price).to.include({ totalMinor: 25_000, adjustedFor: 'own price' });
    // 500 minutes are paid, 100 of them other work.
    expect(price.holds).to.be.closeTo(41 / 101, 1e-9);
  });

  it('counts other work as hours, in a line of its own', () => {
    const price = priceWork([work('a')], terms({ otherMinutes: 200 }), EURO);
    expect(price.workMinor).to.equal(50_000);
    expect([price.units[0]!.priceMinor, price.otherPriceMinor]).to.deep.equal([40_000, 10_000]);
  });

  it('is nothing for nothing, and refuses draws that do not match', () => {
    expect(priceWork([], terms(), EURO)).to.include({ totalMinor: 0, depositMinor: 0, holds: 1 });
    expect(() => priceWork([work('a'), { ...work('b'), draws: [1] }], terms(), EURO)).to.throw(RangeError, 'unit b has 1 draws');
  });

  for (const seed of seeds(20))
    it(`adds up to the last minor unit (${seed})`, () => {
      const random = new Random(seed);
      const rate = random.pick([EURO, { hourlyRateMinor: 3500, currency: 'JPY', minorPerMajor: 1 }]);
      const units = Array.from({ length: random.whole(1, 6) }, (_, index) => work(`u${index}`, random.chance(0.2) ? 0 : random.uniform()));
      const price = priceWork(
        units,
        terms({
          chance: 0.5 + 0.45 * random.uniform(),
          otherMinutes: random.chance(0.5) ? 0 : random.whole(1, 200),
          discountShare: random.chance(0.5) ? 0 : random.uniform() / 2,
          minimumMinor: random.chance(0.7) ? 0 : random.whole(1, 100_000),
          ownPriceMinor: random.chance(0.8) ? null : random.whole(20_000, 90_000),
          materials: [material(random.whole(0, 9999))],
          depositShare: random.uniform(),
        }),
        rate,
      );
      const lines = price.units.reduce((sum, { priceMinor }) => sum + priceMinor, 0) + price.otherPriceMinor + price.materialsMinor;
      expect(lines).to.equal(price.totalMinor);
      expect(price.workMinor + price.discountMinor + price.adjustedMinor + price.materialsMinor).to.equal(price.totalMinor);
      for (const minor of [price.totalMinor, price.depositMinor, ...price.units.map(({ priceMinor }) => priceMinor)])
        expect(Number.isInteger(minor)).to.equal(true);
      expect(price.depositMinor % rate.minorPerMajor).to.equal(0);
    });
});

describe('sharing an amount out', () => {
  it('gives whole units, the largest remainders first', () => {
    expect(shareOut(1000, [1, 1, 1], 100)).to.deep.equal([400, 300, 300]);
    expect(shareOut(1000, [0.26, 0.34, 0.4], 100)).to.deep.equal([300, 300, 400]);
    expect(shareOut(1000, [0.34, 0.4, 0.26], 100), 'the largest remainder last').to.deep.equal([300, 400, 300]);
    expect(shareOut(1100, [0.21, 0.32, 0.47], 100)).to.deep.equal([200, 400, 500]);
  });
  it('gives what is no whole unit to the first that has a share', () => {
    expect(shareOut(1050, [0, 1, 1], 100)).to.deep.equal([0, 550, 500]);
    expect(shareOut(70, [0, 0], 100)).to.deep.equal([70, 0]);
  });
});
