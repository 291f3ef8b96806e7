import { expect } from 'chai';
import { colourBoard } from '../../../src/core/paint/colourBoard';
import { contrastOf } from '../../../src/core/paint/contrast';
import { sharingOf, twinPrice } from '../../../src/core/plan/choices/sharing';
import { withOnePot } from '../../../src/core/scheme/authoring/onePotForTwo';
import { buildLine } from '../../../src/core/plan/build/buildLine';
import type { Paint } from '../../../src/core/scheme/model/definitions';
import { compileLine } from '../../../src/core/line/problem/compileLine';
import { timeOrder } from '../../../src/core/line/timing/timeOrder';
import { paint, part, roster, step, unit } from '../../support/units';

const coloured = (id: string, hex: string, kind: Paint['kind'] = 'opaque'): Paint => ({ ...paint(id, kind), hex });
const shelf = [coloured('red', '#a02020'), coloured('brick', '#9c2320'), coloured('blue', '#2040a0'), coloured('pale blue', '#2a4aaa')];
const paints = new Map(shelf.map((each) => [each.id, each]));

const units = [
  unit('Keepers', [
    part('shirt', step('basecoat', { id: 'k1', paint: 'red', coats: 2 })),
    part('hood', step('basecoat', { id: 'k2', paint: 'blue' })),
  ]),
  unit('Cutters', [part('shirt', step('basecoat', { id: 'c1', paint: 'brick' }), step('layer', { id: 'c2', paint: 'red' }))]),
];
const whole = roster(units, { paints });

describe('the colour board', () => {
  const rows = colourBoard({ ...whole, doneModels: (key) => new Set(key === 'k1#1' ? [1, 2, 3, 4, 5, 6] : key === 'k2#1' ? [1] : []) });
  const row = (id: string) => rows.find((each) => each.paint.id === id)!;

  it('has each paint once, with the units that take it and what is done and left', () => {
    expect(rows.map((each) => each.paint.id)).to.have.members(['red', 'brick', 'blue']);
    expect(row('red').cells.map(({ unitId, done, left, minutes }) => ({ unitId, done, left, minutes }))).to.deep.equal([
      { unitId: 'unit-Keepers', done: 6, left: 6, minutes: 12 },
      { unitId: 'unit-Cutters', done: 0, left: 6, minutes: 12 },
    ]);
    expect(row('red')).to.include({ done: 6, left: 12, minutes: 24 });
    expect(row('blue')).to.include({ done: 1, left: 5, minutes: 10 });
  });

  it('says which parts take it, how and in which coat', () => {
    expect(row('red').cells[0]!.uses.map(({ part: of, technique, coat, coats }) => ({ of, technique, coat, coats }))).to.deep.equal([
      { of: 'shirt', technique: 'basecoat', coat: 1, coats: 2 },
      { of: 'shirt', technique: 'basecoat', coat: 2, coats: 2 },
    ]);
  });

  it('has minutes that are those of the line', () => {
    const line = buildLine(whole).problem;
    const timed = timeOrder(
      compileLine(line),
      line.jobs.map((_, index) => index),
    );
    if (!timed.fits) throw new Error('one sitting holds everything');
    expect(colourBoard(whole).reduce((sum, { minutes }) => sum + minutes, 0)).to.be.closeTo(timed.totals.handsOn, 1e-9);
  });
});

describe('sharing paints', () => {
  const built = buildLine(whole);
  const { together, apart } = sharingOf(built);

  it('opens a pot less often, and is never worse than unit by unit', () => {
    expect(together.bench).to.be.at.most(apart.bench);
    expect(together.legs).to.be.at.most(apart.legs);
    expect([...together.openings.values()].reduce((sum, count) => sum + count, 0)).to.equal(together.legs);
  });

  it('saves with one paint for two the difference of two plans, to the letter', () => {
    const price = twinPrice(whole, together, 'red', 'brick');
    const merged = buildLine({
      ...whole,
      units: whole.units.map((each) => ({ ...each, scheme: withOnePot(each.scheme, 'red', 'brick', []) })),
    });
    // Red serves the brick shirt as well, so one opening and its minutes fall away.
    expect(price).to.include({ keep: 'red', replace: 'brick', openings: 1 });
    const index = new Map(merged.problem.jobs.map(({ id }, at) => [id, at]));
    const bench = (order: readonly string[]) => {
      const timed = timeOrder(
        compileLine(merged.problem),
        order.map((id) => index.get(id)!),
      );
      if (!timed.fits) throw new Error('one sitting holds everything');
      return timed.totals.bench;
    };
    expect(price.savedMinutes).to.be.closeTo(together.bench - bench(price.plan.order), 1e-9);
    expect(bench(price.plan.order), 'no worse than the order as it was').to.be.at.most(bench(together.order) + 1e-9);
  });
});

describe('contrast', () => {
  const limits = { neighbours: 10, highlights: 8 };
  const contrast = (...parts: Parameters<typeof unit>[1]) => contrastOf(unit('u', parts), 'full', paints, ({ paint: id }) => id, limits);

  it('flags parts that touch in colours too alike', () => {
    const { alike } = contrast(part('shirt', step('basecoat', { paint: 'red' })), part('sash', step('basecoat', { paint: 'brick' })));
    expect(alike.map(({ parts }) => parts)).to.deep.equal([['shirt', 'sash']]);
    expect(alike[0]!.difference).to.be.lessThan(10);
    expect(
      contrast(part('shirt', step('basecoat', { paint: 'red' })), part('sash', step('basecoat', { paint: 'blue' }))).alike,
    ).to.deep.equal([]);
  });

  it('looks at the parts that are named to touch, and at no others', () => {
    const apart = { ...part('boots', step('basecoat', { paint: 'brick' })), touches: [] };
    expect(contrast({ ...part('shirt', step('basecoat', { paint: 'red' })), touches: [] }, apart).alike).to.deep.equal([]);
    const named = { ...apart, touches: ['part-hat'] };
    const hat = { ...part('hat', step('basecoat', { paint: 'red' })), touches: [] };
    const coat = { ...part('coat', step('basecoat', { paint: 'blue' })), touches: [] };
    expect(contrast(named, coat, hat).alike.map(({ parts }) => parts)).to.deep.equal([['boots', 'hat']]);
  });

  it('flags highlights that hardly show on their base', () => {
    const { faint } = contrast(
      part('hood', step('basecoat', { paint: 'blue' }), step('layer', { paint: 'pale blue' }), step('edge', { paint: 'red' })),
    );
    expect(faint.map(({ step: each }) => each.technique)).to.deep.equal(['layer']);
  });
});
