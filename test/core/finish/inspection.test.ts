import { expect } from 'chai';
import type { BenchEvent } from '../../../src/core/bench/definitions';
import { foldMarks, mergeMarks } from '../../../src/core/bench/replay/foldMarks';
import { inspectUnit, isFinished } from '../../../src/core/finish/inspection';
import { touchUpRound } from '../../../src/core/finish/touchUpRound';
import { checkBenchEvent } from '../../../src/core/formats/commission/benchEvents';
import { packMarks, unpackMarks } from '../../../src/contract/bench';
import { tap, TestBench } from '../../support/bench';
import { ONLY_LEADERS, paint, part, roster, step, unit } from '../../support/units';

const paints = new Map(['red', 'blue', 'sepia', 'matt'].map((id) => [id, paint(id, id === 'matt' ? 'varnish' : 'opaque')]));
const made = roster(
  [
    unit(
      'Keepers',
      [
        part('coat', step('basecoat', { paint: 'red' })),
        part('hat', step('basecoat', { paint: 'blue' })),
        part('badge', step('detail', { paint: 'red', ...ONLY_LEADERS })),
      ],
      [step('wash', { paint: 'sepia' }), step('varnish', { paint: 'matt' })],
      { promised: 3, counted: 3, leaders: 1 },
    ),
  ],
  { paints },
);
const bench = new TestBench(made);
const [coat, hat, badge] = ['coat', 'hat', 'badge'].map((name) => bench.pass(name)) as [
  ReturnType<typeof bench.pass>,
  ReturnType<typeof bench.pass>,
  ReturnType<typeof bench.pass>,
];
const wash = bench.line.passes.find(({ technique }) => technique === 'wash')!;
const varnish = bench.line.passes.find(({ technique }) => technique === 'varnish')!;
const look = (minute: number, note: string, ...models: number[]) => tap(minute, 'inspected', { unit: coat.unitId, models, note });
const inspect = (...events: BenchEvent[]) => inspectUnit(made.units[0]!, foldMarks(events), made);
const base = [1, 2, 3].flatMap((model) => [bench.done(model, coat, model), bench.done(10 + model, hat, model)]);
const all = [
  ...base,
  ...[1, 2, 3].flatMap((model) => [bench.done(30 + model, wash, model), bench.done(40 + model, varnish, model)]),
  bench.done(39, badge, 1),
];
const looks = (...events: BenchEvent[]) =>
  Object.fromEntries(inspect(...events).looks.map(({ look: name, ready, inspected }) => [name, [ready, inspected]]));

describe('the inspection of a unit', () => {
  it('holds every model against what it should have', () => {
    const { models, due } = inspect(...base.slice(0, 3));
    // The first is ready for a look before the shade.
    expect(due).to.equal('shade');
    expect(models.map(({ model, takes, left }) => [model, takes, left.length])).to.deep.equal([
      [1, 5, 3],
      [2, 4, 3],
      [3, 4, 4],
    ]);
    expect(models[0]).to.deep.include({ who: ['leader'], isLeader: true });
    expect(models[2]!.left.map(({ what }) => what)).to.deep.equal([
      'Base coat on coat',
      'Base coat on hat',
      'Wash on everything',
      'Varnish on everything',
    ]);
    expect(inspect(...all).models.every(isFinished)).to.equal(true);
  });

  it('is due before the shade, before the varnish and at the end', () => {
    expect(inspect(...base).due).to.equal('shade');
    expect(looks(...base)).to.deep.equal({ shade: [[1, 2, 3], []], varnish: [[], []], end: [[], []] });
    expect(inspect(...all).due).to.equal('end');
    expect(inspect(...all).looks.map(({ past }) => past)).to.deep.equal([[1, 2, 3], [1, 2, 3], []]);
    expect(inspect(...base, look(25, 'shade', 1, 2, 3)).due).to.equal(null);
  });

  it('counts again what was painted, missed or touched up since', () => {
    const seen = [...all, look(60, 'end', 1, 2, 3)];
    expect(looks(...seen)['end']).to.deep.equal([
      [1, 2, 3],
      [1, 2, 3],
    ]);
    const missed = [...seen, bench.missed(61, coat, 2)];
    expect(looks(...missed)['end']).to.deep.equal([
      [1, 3],
      [1, 3],
    ]);
    const mended = [...missed, tap(70, 'touched-up', { ...bench.of(coat), models: [2] })];
    expect(looks(...mended)['end']).to.deep.equal([
      [1, 2, 3],
      [1, 3],
    ]);
    // Whoever is shaded is past the look before it; the others still wait for theirs.
    const shaded = [...base, look(25, 'shade', 1, 2), bench.done(31, wash, 1)];
    expect(looks(...shaded)['shade']).to.deep.equal([[2, 3], [2]]);
    expect(inspect(...shaded).due).to.equal('shade');
    const undone = [...seen, tap(80, 'undone', { target: seen.at(-1)!.id, unit: coat.unitId })];
    expect(looks(...undone)['end']).to.deep.equal([[1, 2, 3], []]);
  });

  it('leaves out who is set aside, and says where spots were missed before', () => {
    const {
      models,
      looks: standings,
      trouble,
    } = inspect(
      ...all,
      tap(50, 'set-aside', { unit: coat.unitId, models: [3], note: 'broken' }),
      bench.missed(51, hat, 1),
      bench.missed(52, hat, 2),
      bench.missed(53, coat, 2),
    );
    expect(models[2]!.aside).to.equal('broken');
    expect(standings.at(-1)!.ready).to.deep.equal([]);
    expect(trouble.map(({ what, models: its }) => [what, its])).to.deep.equal([
      ['Base coat on hat', [1, 2]],
      ['Base coat on coat', [2]],
    ]);
  });

  it('travels with the marks, and needs to say which look it was', () => {
    const marks = foldMarks([...all, look(60, 'end', 1, 2)]);
    expect(unpackMarks(packMarks(marks)).inspected).to.deep.equal(marks.inspected);
    expect(mergeMarks([marks]).inspected).to.deep.equal(marks.inspected);
    const more = foldMarks([look(90, 'end', 3)], { before: marks });
    expect([...more.inspected.get(coat.unitId)!.get('end')!.keys()]).to.deep.equal([1, 2, 3]);
    expect(marks.inspected.get(coat.unitId)!.get('end')!.has(3)).to.equal(false);
    expect(() => checkBenchEvent(look(1, 'closely', 1), 'events[0]')).to.throw(/say which look it was/);
    expect(() => checkBenchEvent(look(1, 'end', 1), 'events[0]')).not.to.throw();
  });
});

describe('the touch-up round', () => {
  const round = (...events: BenchEvent[]) => touchUpRound(made.units, foldMarks(events), made, () => 3);

  it('groups spots by pot in the order of the scheme, with what it takes', () => {
    const { pots, spots, minutes } = round(...all, bench.missed(51, hat, 2), bench.missed(52, badge, 1), bench.missed(53, coat, 3));
    expect(spots).to.equal(3);
    expect(pots.map(({ pot, spots: its }) => [pot, its.map(({ model, what }) => `${model} ${what}`)])).to.deep.equal([
      ['Paint red', ['3 Base coat on coat', '1 Detail on badge']],
      ['Paint blue', ['2 Base coat on hat']],
    ]);
    const { sitDownMinutes, paintMinutes } = made.house;
    expect(pots.map(({ setUpMinutes }) => setUpMinutes)).to.deep.equal([sitDownMinutes + paintMinutes, paintMinutes]);
    expect(minutes).to.equal(3 * 3 + sitDownMinutes + 2 * paintMinutes);
  });

  it('is nothing where nothing is open', () => {
    expect(round(...all)).to.deep.equal({ pots: [], spots: 0, minutes: 0 });
    expect(round(...all, bench.missed(51, hat, 2), tap(60, 'touched-up', { ...bench.of(hat), models: [2] })).spots).to.equal(0);
  });
});
