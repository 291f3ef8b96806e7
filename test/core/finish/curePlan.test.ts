import { expect } from 'chai';
import type { BenchEvent } from '../../../src/core/bench/definitions';
import { foldMarks } from '../../../src/core/bench/replay/foldMarks';
import { careWords } from '../../../src/core/finish/careWords';
import { CURE_MS, cureOf, sprayTogether } from '../../../src/core/finish/curePlan';
import { MINUTE_MS } from '../../../src/core/kernel/timeUnits';
import { START, tap, TestBench } from '../../support/bench';
import { paint, part, roster, step, unit } from '../../support/units';

const paints = new Map(
  [paint('red'), paint('gloss', 'varnish', 120), paint('matt', 'varnish', 60), paint('paste', 'texture'), paint('rust', 'powder')].map(
    (each) => [each.id, each],
  ),
);
const coat = () => part('coat', step('basecoat', { paint: 'red' }));
const made = roster(
  [
    unit('Varnished', [coat()], [step('varnish', { id: 'v1', paint: 'gloss' }), step('varnish', { id: 'v2', paint: 'matt' })], {
      promised: 2,
      counted: 2,
    }),
    unit('Bare', [coat(), part('base', step('texture', { paint: 'paste' }))], [], { promised: 2, counted: 2 }),
    unit('Dusty', [coat(), part('hull', step('pigment', { paint: 'rust' }))], [step('varnish', { id: 'v3', paint: 'matt' })], {
      promised: 30,
      counted: 30,
    }),
  ],
  { paints },
);
const bench = new TestBench(made);
const pass = (unitName: string, id: string) =>
  bench.line.passes.find(({ unitId, stepId, technique }) => unitId === `unit-${unitName}` && (stepId === id || technique === id))!;
const done = (at: number, unitName: string, id: string, ...models: number[]) => {
  const of = pass(unitName, id);
  return [bench.started(at, of), ...models.map((model) => bench.done(at + model, of, model))];
};
const cure = (at: number, ...events: BenchEvent[]) => cureOf(made.units[at]!, foldMarks(events), made);
const minutes = (at: number | null) => (at === null ? null : (at - START) / MINUTE_MS);
const painted = [...done(0, 'Varnished', 'basecoat', 1, 2), ...done(60, 'Varnished', 'v1', 1, 2)];

describe('varnish and cure', () => {
  it('is dry by the label, and cured a day later before another kind', () => {
    const { seals, packAt, cureDaysAhead, handleAt } = cure(0, ...painted);
    expect(seals.map(({ paint: name, models, painted: its }) => [name, models, its])).to.deep.equal([
      ['Paint gloss', 2, 2],
      ['Paint matt', 2, 0],
    ]);
    expect(minutes(seals[0]!.dryAt)).to.equal(62 + 120);
    expect(minutes(seals[0]!.curedAt)).to.equal(62 + CURE_MS / MINUTE_MS);
    expect(minutes(handleAt)).to.equal(62 + 30);
    expect([packAt, cureDaysAhead]).to.deep.equal([null, 1]);
    expect(seals[1]).to.deep.include({ paintedAt: null, dryAt: null, curedAt: null, dryMinutes: 60 });
  });

  it('can be packed a day after the last coat, when nothing is open', () => {
    const whole = [...painted, ...done(1600, 'Varnished', 'v2', 1, 2)];
    expect(minutes(cure(0, ...whole).packAt)).to.equal(1602 + CURE_MS / MINUTE_MS);
    const missed = [...whole, bench.missed(1700, pass('Varnished', 'basecoat'), 1)];
    expect(cure(0, ...missed)).to.include({ packAt: null, misses: 1 });
    const mended = [...missed, tap(1710, 'touched-up', { ...bench.of(pass('Varnished', 'basecoat')), models: [1] })];
    expect(cure(0, ...mended)).to.deep.include({ misses: 0, bareAgain: [1] });
    // Varnished again there, it is sealed.
    const matt = pass('Varnished', 'v2');
    const gloss = pass('Varnished', 'v1');
    const again = [gloss, matt].flatMap((seal, at) => [
      tap(1720 + at, 'reopened', { ...bench.of(seal), models: [1] }),
      bench.done(1730 + at, seal, 1),
    ]);
    expect(cure(0, ...mended, ...again).bareAgain).to.deep.equal([]);
  });

  it('needs no day where nothing is varnished, and says what would come off', () => {
    const whole = [...done(0, 'Bare', 'basecoat', 1, 2), ...done(20, 'Bare', 'texture', 1, 2)];
    const bare = cure(1, ...whole);
    expect(minutes(bare.packAt)).to.equal(22 + 60);
    expect(bare).to.include({ hasVarnish: false, hasLoosePaste: true, hasLoosePowder: false });
    expect(cure(2)).to.include({ hasVarnish: true, hasLoosePaste: false, hasLoosePowder: true });
    expect(careWords([bare], 'Ask me for paint.').join(' ')).to.match(/not varnished.*not sealed.*Ask me for paint\.$/);
    expect(careWords([bare, cure(2)], '').join(' ')).to.match(/Some of the units are not varnished.*Powders lie on top/);
  });

  it('sprays units together that take the same can, holder by holder', () => {
    const together = sprayTogether(made.units, foldMarks(painted), made);
    expect(
      together.map(({ paint: can, models, units }) => [can, models, units.map(({ name, waitsFor, holders }) => [name, waitsFor, holders])]),
    ).to.deep.equal([
      [
        'Paint matt',
        32,
        [
          ['Varnished', 0, 1],
          ['Dusty', 30, 2],
        ],
      ],
    ]);
    expect(together[0]!.caution).to.match(/label and local rules/);
  });
});
