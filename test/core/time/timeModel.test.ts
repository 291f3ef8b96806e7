import { expect } from 'chai';
import { allAtOnce } from '../../../src/core/kernel/steps';
import type { JudgedRow } from '../../../src/core/log/definitions';
import type { StepKind, TimeModel } from '../../../src/core/time/definitions';
import type { StretchAhead } from '../../../src/core/scheme/passes/stretchAhead';
import { fitTimeModel, fitTimeModelInSteps } from '../../../src/core/time/learn/fitTimeModel';
import { stretchMinutes } from '../../../src/core/time/fit/learningCurve';
import { normMinutes } from '../../../src/core/time/fit/norms';
import { quantile } from '../../../src/core/kernel/quantile';
import { RunningFit } from '../../../src/core/time/fit/RunningFit';
import { PRIOR_SPREADS } from '../../../src/core/time/fit/spreads';
import { Random, seeds } from '../../support/random';
import { ahead, coat, logged, TONIGHT } from '../../support/time';

const norm = normMinutes(coat.technique, coat.size, coat.coverage);
const ratio = (model: TimeModel, of: StepKind = coat, stretch?: StretchAhead) =>
  model.estimate(of, stretch).p50 / normMinutes(of.technique, of.size, of.coverage);
const oddOf = (rows: JudgedRow[]) => allAtOnce(new RunningFit().fit(rows, TONIGHT)).odd;
const p50 = (rows: JudgedRow[], of?: StepKind, stretch?: StretchAhead) => ratio(fitTimeModel(rows, TONIGHT), of, stretch);
const simulate = (model: TimeModel, ...given: Parameters<TimeModel['simulate']>) => allAtOnce(model.simulate(...given));

/** Rows of so many other steps that took about as long as the norm says. */
const others = (count: number, seed = 3): JudgedRow[] => {
  const random = new Random(seed);
  return Array.from({ length: count }, (_, index) =>
    logged(0.9 + 0.2 * random.uniform(), { unit: `Unit ${index % 5}`, part: `Part ${index}` }),
  );
};

describe('the time model', () => {
  it('starts from the norm with a wide interval when nothing is logged', () => {
    const estimate = fitTimeModel([], TONIGHT).estimate(coat, ahead(0, 12));
    expect(estimate.p50).to.be.closeTo(norm, 0.03 * norm);
    expect(estimate.p90 / estimate.p10).to.be.greaterThan(2.8);
    expect(estimate.why).to.match(/Nothing logged yet/);
    const figures = [estimate.p10, estimate.p50, estimate.p80, estimate.p90];
    expect(figures).to.deep.equal(figures.toSorted((a, b) => a - b));
  });

  it('carries experience of the technique elsewhere over, shrunk by how little there is', () => {
    const elsewhere = { commission: 'Fair', unit: 'Menders', part: 'Apron' };
    const one = p50([logged(1.6, elsewhere)]);
    const many = p50(Array.from({ length: 12 }, (_, index) => logged(1.6, { ...elsewhere, part: `Part ${index}` })));
    expect(one).to.be.within(1.05, many);
    expect(many).to.be.within(1.25, 1.75);
  });

  it('carries less over to another technique than to the same', () => {
    const rows = Array.from({ length: 6 }, (_, index) => logged(1.6, { unit: `Unit ${index}` }));
    expect(p50(rows, { ...coat, technique: 'edge', coverage: 0.05 })).to.be.within(1.05, p50(rows));
  });

  it('lets what is logged here dominate soon, but one test model not erase the rest', () => {
    const here = logged(2, { models: 1, startedAt: '2026-11-18T19:00:00Z' });
    const again = [19, 20, 21].map((day) => logged(2, { startedAt: `2026-11-${day}T19:00:00Z` }));
    expect(p50([...others(30), here], coat, ahead(1, 10))).to.be.within(0.95, 1.6);
    expect(p50([...others(30), here, ...again], coat, ahead(31, 10))).to.be.within(1.5, 2.05);
  });

  it('takes a marked row in full, or not at all, when the painter says so', () => {
    const steady = [1, 2, 3, 4].map((day) => logged(1, { startedAt: `2026-11-0${day}T19:00:00Z` }));
    const by = (verdict: JudgedRow['verdict']) => p50([...steady, logged(3.5, { verdict })], coat, ahead(50, 10));
    expect(by('left out')).to.be.closeTo(p50(steady, coat, ahead(50, 10)), 1e-3);
    expect(by('counts')).to.be.greaterThan(by('unsure') * 1.05);
  });

  it('is not wrecked by an interrupted stretch, and marks it', () => {
    const steady = seeds(8).map((day) => logged(1, { startedAt: `2026-11-0${day}T19:00:00Z` }));
    const model = fitTimeModel([...steady, logged(3.5)], TONIGHT);
    const calm = fitTimeModel([...steady, logged(1)], TONIGHT);
    expect(ratio(model, coat, ahead(90, 10)) / ratio(calm, coat, ahead(90, 10))).to.be.within(0.95, 1.1);
    const interrupted = logged(3.5);
    expect([...oddOf([...steady, interrupted])]).to.deep.equal([[interrupted, 'interrupted']]);
    expect(oddOf([...steady, logged(1)]).size).to.equal(0);
  });

  for (const [minutes, oddity] of [
    [0.1, 'too short'],
    [500, 'interrupted'],
  ] as const) {
    it(`is moved by no more than a few per cent by ${minutes} minutes on one model, until it is vouched for`, () => {
      const kinds = [coat, { ...coat, part: 'Boots' }, { ...coat, unit: 'Cutters', technique: 'edge', coverage: 0.05 }] as const;
      const stretch = ahead(20, 10);
      for (const rows of [others(20), [...others(20), logged(1, { startedAt: '2026-11-02T19:00:00Z' })]]) {
        const before = fitTimeModel(rows, TONIGHT);
        const absurd = logged(1, { models: 1, minutes });
        const after = fitTimeModel([...rows, absurd], TONIGHT);
        for (const kind of kinds) expect(ratio(after, kind, stretch) / ratio(before, kind, stretch)).to.be.within(0.96, 1.04);
        expect(oddOf([...rows, absurd]).get(absurd)).to.equal(oddity);
        const vouched = fitTimeModel([...rows, logged(1, { models: 1, minutes, verdict: 'counts' })], TONIGHT);
        expect(Math.abs(Math.log(ratio(vouched, coat, stretch) / ratio(before, coat, stretch)))).to.be.greaterThan(0.1);
      }
    });
  }

  it('believes old rows less than new ones', () => {
    const old = { startedAt: '2024-01-01T19:00:00Z' };
    const ofOther = { ...coat, part: 'Boots' };
    expect(p50([logged(2, old), logged(1)], ofOther)).to.be.lessThan(p50([logged(1, old), logged(2)], ofOther));
  });

  it('narrows with every row', () => {
    const width = (count: number) => {
      const rows = seeds(count).map((day) => logged(1, { startedAt: `2026-11-0${day}T19:00:00Z` }));
      const { p90, p10 } = fitTimeModel(rows, TONIGHT).estimate(coat);
      return Math.log(p90 / p10);
    };
    expect(width(3)).to.be.lessThan(width(1));
    expect(width(1)).to.be.lessThan(width(0));
  });

  it('says where an estimate comes from', () => {
    const { why } = fitTimeModel([logged(0.8), logged(0.8, { unit: 'Cutters' })], TONIGHT).estimate(coat, ahead(10, 10));
    expect(why).to.match(/^10 models of this step logged, 20 of this technique: \d+ % faster than the norm\.$/);
  });

  it('says the same whatever order the rows come in', () => {
    const random = new Random(8);
    const rows = Array.from({ length: 40 }, (_, index) =>
      logged(0.6 + random.uniform(), {
        part: `Part ${index % 6}`,
        unit: `Unit ${index % 3}`,
        models: random.whole(1, 12),
        startedAt: new Date(TONIGHT.getTime() - (60 - index) * 86_400_000).toISOString(),
      }),
    );
    const kinds = rows.slice(0, 8);
    const before = kinds.map((kind) => ratio(fitTimeModel(rows, TONIGHT), kind));
    for (let turn = 0; turn < 3; turn++) {
      const shuffled = random.shuffle(rows);
      expect(kinds.map((kind) => ratio(fitTimeModel(shuffled, TONIGHT), kind))).to.deep.equal(before);
    }
  });

  it('moves nothing but its certainty when a stretch takes exactly what was predicted', () => {
    const random = new Random(4);
    const rows = others(40, 6).map((row) => ({ ...row, minutes: row.minutes * (0.8 + 0.4 * random.uniform()) }));
    const stretch = ahead(0, 8);
    const before = fitTimeModel(rows, TONIGHT);
    const predicted = stretchMinutes(before.curve(coat), stretch);
    const after = fitTimeModel([...rows, logged(1, { models: 8, minutes: predicted, startedAt: '2026-11-23T11:00:00Z' })], TONIGHT);
    for (const kind of [coat, { ...coat, part: 'Boots' }, rows[3]!])
      expect(ratio(after, kind, ahead(8, 8)) / ratio(before, kind, ahead(8, 8))).to.be.closeTo(1, 2e-3);
    const width = (model: TimeModel) => Math.log(model.estimate(coat, ahead(8, 8)).p90 / model.estimate(coat, ahead(8, 8)).p10);
    expect(width(after)).to.be.lessThan(width(before) * 0.95);
  });

  it('goes on from a fit before and comes to the same', () => {
    const random = new Random(12);
    const rows = Array.from({ length: 120 }, (_, index) =>
      logged(Math.exp(0.5 * random.uniform() - 0.25) * (random.chance(0.05) ? 3 : 1), {
        part: `Part ${index % 9}`,
        unit: `Unit ${index % 4}`,
        models: random.whole(1, 12),
        startedAt: new Date(TONIGHT.getTime() - (200 - index) * 86_400_000).toISOString(),
      }),
    );
    const running = new RunningFit();
    for (let count = 100; count <= rows.length; count++) {
      const going = allAtOnce(fitTimeModelInSteps(rows.slice(0, count), TONIGHT, PRIOR_SPREADS, running));
      const afresh = fitTimeModel(rows.slice(0, count), TONIGHT);
      for (const kind of [rows[0]!, rows[count - 1]!, coat]) {
        const [a, b] = [going.estimate(kind), afresh.estimate(kind)];
        for (const of of ['p10', 'p50', 'p90'] as const) expect(a[of] / b[of]).to.be.closeTo(1, 2e-3);
      }
    }
  });
});

describe('repetition', () => {
  /** Stretches of ten models, each taking what a curve says. */
  const stretches = (count: number, saved: number, of: Partial<JudgedRow> = {}) =>
    Array.from({ length: count }, (_, index) => {
      let minutes = 0;
      for (let nth = index * 10 + 1; nth <= index * 10 + 10; nth++) minutes += 1.5 * norm * nth ** Math.log2(1 - saved);
      return logged(1, { minutes, startedAt: `2026-11-${10 + index}T19:00:00Z`, ...of });
    });
  const practised = (saved: number) => seeds(10).flatMap((unit) => stretches(4, saved, { unit: `Unit ${unit}` }));

  it('makes the models to come faster than those logged', () => {
    const model = fitTimeModel(stretches(1, 0.12), TONIGHT);
    expect(ratio(model, coat, ahead(10, 20))).to.be.lessThan(ratio(model, coat, ahead(0, 10)) * 0.9);
  });

  it('learns how much a painter saves at each doubling, and carries it over to a new step', () => {
    const slope = (saved: number) => fitTimeModel(practised(saved), TONIGHT).curve({ ...coat, part: 'Never painted' }).slope;
    expect(slope(0.2)).to.be.greaterThan(slope(0.12));
    expect(slope(0.12)).to.be.within(0.13, 0.23);
    expect(slope(0)).to.be.lessThan(0.07);
  });

  it('counts models whose minutes nobody knows as practice', () => {
    const known = stretches(2, 0.12);
    const model = fitTimeModel([{ ...known[0]!, open: 'late' }, known[1]!], TONIGHT);
    expect(model.modelsDone(coat)).to.equal(20);
  });
});

describe('a log tied to ids', () => {
  const ids = { commissionId: 'c1', unitId: 'u1', stepId: 's1' };
  const tied = { ...coat, unitId: 'u1', stepId: 's1' };

  it('keeps its experience over any renaming and another size', () => {
    const model = fitTimeModel([logged(1.6, ids), logged(1.6, { ...ids, startedAt: '2026-11-21T19:00:00Z' })], TONIGHT);
    expect(model.estimate({ ...tied, commission: 'Other', unit: 'Others', part: 'Cloak' })).to.deep.equal(model.estimate(tied));
    expect(model.estimate({ ...tied, size: 'heavy' }).modelsHere).to.equal(20);
  });

  it('shares nothing between two commissions of one name', () => {
    const model = fitTimeModel(
      [1, 2, 3].map((day) => logged(3, { ...ids, startedAt: `2026-11-0${day}T19:00:00Z`, verdict: 'counts' })),
      TONIGHT,
    );
    const twin = { ...tied, unitId: 'u2', stepId: 's2' };
    expect(model.estimate(twin).modelsHere).to.equal(0);
    expect(ratio(model, twin)).to.be.lessThan(ratio(model, tied));
  });

  it('weighs leaders by their factor, and learns when they take longer still', () => {
    const batch = seeds(6).map((unit) => logged(1, { unit: `Unit ${unit}` }));
    const leaders = (pace: number) => seeds(6).map((unit) => logged(pace, { unit: `Unit ${unit}`, part: 'Face', models: 2, weight: 3.2 }));
    const learned = (pace: number) => fitTimeModel([...batch, ...leaders(pace)], TONIGHT).curve(coat).leaders;
    expect(learned(1.5)).to.be.greaterThan(learned(1) + 0.1);
    const alone = { done: 5, models: 1, weight: 1.6 };
    const of = (pace: number) => stretchMinutes(fitTimeModel([...batch, ...leaders(pace)], TONIGHT).curve(coat), alone);
    expect(of(1.5)).to.be.greaterThan(of(1) * 1.1);
  });

  it('uses no minutes that nobody knows, and those that the painter corrected', () => {
    const steady = [logged(1), logged(1, { part: 'Boots' })];
    const open = logged(0.01, { open: 'late', part: 'Hood' });
    expect(p50([...steady, open])).to.be.closeTo(p50(steady), 1e-12);
    const corrected = { ...open, correctedMinutes: 2 * 10 * norm };
    expect(p50([...steady, corrected])).to.be.closeTo(p50([...steady, logged(2, { part: 'Hood', verdict: 'counts' })]), 1e-6);
  });
});

describe('simulating totals', () => {
  const work = (units: number) =>
    Array.from({ length: units }, (_, index) => ({ kind: { ...coat, unit: `Unit ${index}` }, effort: 1, ...ahead(0, 10) }));
  const spread = (values: Float64Array) => Math.log(quantile(values.slice().sort(), 0.9) / quantile(values.slice().sort(), 0.1));

  it('gives the same draws for the same seed', () => {
    const model = fitTimeModel([logged(1)], TONIGHT);
    expect(simulate(model, [work(2)], 50, 9)).to.deep.equal(simulate(model, [work(2)], 50, 9));
  });

  it('spreads as the estimate of the same stretch says', () => {
    const model = fitTimeModel(others(30), TONIGHT);
    const [totals] = simulate(model, [[{ kind: coat, effort: 1, ...ahead(3, 7) }]], 4000, 2) as [Float64Array];
    const estimate = model.estimate(coat, ahead(3, 7));
    const sorted = totals.slice().sort();
    expect(quantile(sorted, 0.5)).to.be.closeTo(7 * estimate.p50, 0.03 * 7 * estimate.p50);
    expect(quantile(sorted, 0.9)).to.be.closeTo(7 * estimate.p90, 0.05 * 7 * estimate.p90);
    expect(quantile(sorted, 0.1)).to.be.closeTo(7 * estimate.p10, 0.05 * 7 * estimate.p10);
  });

  it('does not average out what all steps share', () => {
    const [few, many] = simulate(fitTimeModel([], TONIGHT), [work(1), work(40)], 2000, 3) as [Float64Array, Float64Array];
    expect(spread(many)).to.be.lessThan(spread(few));
    expect(spread(many)).to.be.greaterThan(0.5);
  });

  it('slows all groups of a draw down together', () => {
    const elsewhere = work(5).map((item) => ({ ...item, kind: { ...item.kind, commission: 'Square' } }));
    const [a, b] = simulate(fitTimeModel([], TONIGHT), [work(5), elsewhere], 1500, 5) as [Float64Array, Float64Array];
    expect(correlation(a, b)).to.be.greaterThan(0.5);
  });

  it('says the same of a step whatever other work is there', () => {
    const model = fitTimeModel([logged(1)], TONIGHT);
    const [alone] = simulate(model, [work(1)], 50, 9);
    const [, among] = simulate(model, [work(4).slice(1), work(1)], 50, 9);
    expect(among).to.deep.equal(alone);
  });

  it('has nothing left for no work', () => {
    expect([...simulate(fitTimeModel([], TONIGHT), [[]], 3, 1)[0]!]).to.deep.equal([0, 0, 0]);
  });
});

function correlation(a: Float64Array, b: Float64Array): number {
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [meanA, meanB] = [mean(a), mean(b)];
  const dot = (f: (index: number) => number) => a.reduce((sum, _value, index) => sum + f(index), 0);
  const covariance = dot((i) => (a[i]! - meanA) * (b[i]! - meanB));
  return covariance / Math.sqrt(dot((i) => (a[i]! - meanA) ** 2) * dot((i) => (b[i]! - meanB) ** 2));
}
