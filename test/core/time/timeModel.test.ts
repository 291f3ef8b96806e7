import { expect } from 'chai';
import { allAtOnce } from '../../../src/core/steps';
import type { JudgedRow, StepKind } from '../../../src/core/time/definitions';
import type { TimeModel } from '../../../src/core/time/definitions';
import { fitTimeModel } from '../../../src/core/time/hierarchicalModel';
import { normMinutes } from '../../../src/core/time/norms';
import { quantile } from '../../../src/core/time/quantile';
import { Random } from '../../support/random';

const NOW = new Date('2026-11-23T12:00:00Z');
const kind: StepKind = {
  unitId: null,
  stepId: null,
  commission: 'Coast',
  unit: 'Keepers',
  part: 'Coat',
  technique: 'basecoat',
  size: 'foot',
  coverage: 0.25,
};
const norm = normMinutes(kind.technique, kind.size, kind.coverage);

/** A row that took `pace` times the norm. */
const row = (pace: number, more: Partial<JudgedRow> = {}): JudgedRow => {
  const of = { commissionId: null, ...kind, models: 10, weight: more.models ?? 10, ...more };
  return {
    startedAt: '2026-11-20T19:00:00Z',
    setupMinutes: null,
    note: '',
    verdict: 'unsure',
    correctedMinutes: null,
    open: null,
    minutes: pace * of.weight * normMinutes(of.technique, of.size, of.coverage),
    ...of,
    ...more,
  };
};
const p50 = (rows: JudgedRow[], of: StepKind = kind) =>
  fitTimeModel(rows, NOW).estimate(of).p50 / normMinutes(of.technique, of.size, of.coverage);

const simulate = (model: TimeModel, ...given: Parameters<TimeModel['simulate']>) => allAtOnce(model.simulate(...given));

describe('the time model', () => {
  it('starts from the norm with a wide interval when nothing is logged', () => {
    const estimate = fitTimeModel([], NOW).estimate(kind);
    expect(estimate.p50).to.be.closeTo(norm, 1e-9);
    expect(estimate.p90 / estimate.p10).to.be.greaterThan(3);
    expect(estimate.why).to.match(/Nothing logged yet/);
    expect([estimate.p10, estimate.p50, estimate.p80, estimate.p90]).to.deep.equal(
      [estimate.p10, estimate.p50, estimate.p80, estimate.p90].sort((a, b) => a - b),
    );
  });

  it('carries experience of the technique elsewhere over, shrunk by how little there is', () => {
    const elsewhere = { commission: 'Fair', unit: 'Menders', part: 'Apron' };
    const one = p50([row(1.6, elsewhere)]);
    const many = p50(Array.from({ length: 12 }, (_, index) => row(1.6, { ...elsewhere, part: `Part ${index}` })));
    expect(one).to.be.within(1.05, many);
    expect(many).to.be.within(1.25, 1.6);
  });

  it('carries less over to another technique than to the same', () => {
    const rows = Array.from({ length: 6 }, (_, index) => row(1.6, { unit: `Unit ${index}` }));
    const other = p50(rows, { ...kind, technique: 'edge', coverage: 0.05 });
    expect(other).to.be.within(1.05, p50(rows));
  });

  it('lets what is logged here dominate soon, but one test model not erase the rest', () => {
    const rest = Array.from({ length: 30 }, (_, index) => row(1, { unit: `Unit ${index % 5}`, part: `Part ${index}` }));
    const tested = p50([...rest, row(2, { models: 1 })]);
    const practised = p50([...rest, row(2, { models: 1 }), row(2), row(2), row(2)]);
    expect(tested).to.be.within(1.05, 1.6);
    expect(practised).to.be.within(1.65, 2.05);
  });

  it('is not wrecked by an interrupted stretch, and marks it', () => {
    const steady = Array.from({ length: 8 }, () => row(1));
    const model = fitTimeModel([...steady, row(3.5)], NOW);
    expect(model.estimate(kind).p50 / norm).to.be.within(0.95, 1.15);
    expect(model.interrupted).to.deep.equal([...steady.map(() => false), true]);
  });

  it('takes a marked row in full, or not at all, when the painter says so', () => {
    const steady = Array.from({ length: 4 }, () => row(1));
    const by = (verdict: JudgedRow['verdict']) => p50([...steady, row(3.5, { verdict })]);
    expect(by('left out')).to.be.closeTo(p50(steady), 1e-9);
    expect(by('counts')).to.be.greaterThan(by('unsure') * 1.05);
  });

  it('believes old rows less than new ones', () => {
    const old = { startedAt: '2024-01-01T19:00:00Z' };
    expect(p50([row(2, old), row(1)])).to.be.lessThan(p50([row(1, old), row(2)]));
  });

  it('narrows with every row', () => {
    const width = (count: number) => {
      const { p90, p10 } = fitTimeModel(
        Array.from({ length: count }, () => row(1)),
        NOW,
      ).estimate(kind);
      return Math.log(p90 / p10);
    };
    expect(width(3)).to.be.lessThan(width(1));
    expect(width(1)).to.be.lessThan(width(0));
  });

  it('says where an estimate comes from', () => {
    const { why } = fitTimeModel([row(0.8), row(0.8, { unit: 'Cutters' })], NOW).estimate(kind);
    expect(why).to.match(/^10 models of this step logged, 20 of this technique: \d+ % faster than the norm\.$/);
  });

  it('recovers a painter simulated with known pace, within its own interval', () => {
    const random = new Random(4);
    const rows = Array.from({ length: 200 }, (_, index) =>
      row(1.3 * Math.exp(0.15 * (random.uniform() + random.uniform() + random.uniform() - 1.5) * 2), {
        part: `Part ${index % 12}`,
        unit: `Unit ${index % 4}`,
      }),
    );
    expect(p50(rows)).to.be.within(1.2, 1.4);
  });
});

describe('a log tied to ids', () => {
  const ids = { commissionId: 'c1', unitId: 'u1', stepId: 's1' };
  const tied = { ...kind, unitId: 'u1', stepId: 's1' };

  it('keeps its experience over any renaming and another size', () => {
    const rows = [row(1.6, ids), row(1.6, ids)];
    const before = fitTimeModel(rows, NOW).estimate(tied);
    const renamed = fitTimeModel(rows, NOW).estimate({ ...tied, commission: 'Other', unit: 'Others', part: 'Cloak' });
    expect(renamed).to.deep.equal(before);
    expect(fitTimeModel(rows, NOW).estimate({ ...tied, size: 'heavy' }).modelsHere).to.equal(20);
  });

  it('shares nothing between two commissions of one name', () => {
    const rows = [row(3, ids), row(3, ids), row(3, ids)];
    const twin = { ...tied, unitId: 'u2', stepId: 's2' };
    expect(fitTimeModel(rows, NOW).estimate(twin).modelsHere).to.equal(0);
    expect(fitTimeModel(rows, NOW).estimate(twin).p50).to.be.lessThan(fitTimeModel(rows, NOW).estimate(tied).p50);
  });

  it('weighs leaders by their factor: a unit all of leaders is not counted twice', () => {
    const ordinary = fitTimeModel([row(1)], NOW).estimate(kind).p50;
    const leaders = fitTimeModel([row(1, { models: 10, weight: 16 })], NOW).estimate(kind).p50;
    expect(leaders).to.be.closeTo(ordinary, 1e-9);
  });

  it('uses no minutes that nobody knows, and those that the painter corrected', () => {
    const steady = [row(1), row(1)];
    expect(p50([...steady, row(0.01, { open: 'late' })])).to.be.closeTo(p50(steady), 1e-12);
    const corrected = row(0.01, { open: 'late', correctedMinutes: 2 * 10 * norm });
    expect(p50([...steady, corrected])).to.be.closeTo(p50([...steady, row(2, { verdict: 'counts' })]), 1e-12);
  });

  it('fits a unit as if all effects stood in one system of equations', () => {
    const random = new Random(9);
    const rows = Array.from({ length: 60 }, (_, index) =>
      row(Math.exp(random.uniform() - 0.5), {
        unit: `Unit ${index % 5}`,
        part: `Part ${index % 7}`,
        technique: random.pick(['basecoat', 'edge', 'wash'] as const),
        size: random.pick(['foot', 'heavy'] as const),
        verdict: 'counts',
      }),
    );
    const model = fitTimeModel(rows, NOW);
    for (const each of rows.slice(0, 12))
      expect(Math.log(model.estimate(each).p50)).to.be.closeTo(Math.log(denseEstimate(rows, each)), 1e-9);
  });
});

/** The same posterior by brute force: pace, techniques, sizes, units and steps in one dense system, all rows trusted. */
function denseEstimate(rows: readonly JudgedRow[], of: JudgedRow): number {
  const spreads = { pace: 0.35, technique: 0.25, size: 0.15, unit: 0.15, step: 0.25 };
  const keysOf = (each: JudgedRow) => [
    'pace',
    `technique ${each.technique}`,
    `size ${each.size}`,
    `unit ${each.unit}`,
    `step ${each.unit} ${each.part} ${each.technique} ${each.size}`,
  ];
  const keys = [...new Set(rows.flatMap(keysOf))];
  const at = new Map(keys.map((key, index) => [key, index]));
  const matrix = keys.map((key, i) => keys.map((_, j) => (i === j ? 1 / spreads[key.split(' ')[0] as keyof typeof spreads] ** 2 : 0)));
  const right = keys.map(() => 0);
  for (const each of rows) {
    const months = (NOW.getTime() - Date.parse(each.startedAt)) / 86_400_000 / 30;
    const variance = 0.15 ** 2 + 0.35 ** 2 / each.models + 0.01 * months;
    const logRatio = Math.log(each.minutes / each.weight / normMinutes(each.technique, each.size, each.coverage));
    for (const a of keysOf(each)) {
      right[at.get(a)!]! += logRatio / variance;
      for (const b of keysOf(each)) matrix[at.get(a)!]![at.get(b)!]! += 1 / variance;
    }
  }
  const solution = solve(matrix, right);
  return normMinutes(of.technique, of.size, of.coverage) * Math.exp(keysOf(of).reduce((sum, key) => sum + solution[at.get(key)!]!, 0));
}

/** Gauss-Jordan elimination. */
function solve(matrix: number[][], right: number[]): number[] {
  const rows = matrix.map((row_, index) => [...row_, right[index]!]);
  for (let pivot = 0; pivot < rows.length; pivot++) {
    for (let other = 0; other < rows.length; other++) {
      if (other === pivot) continue;
      const factor = rows[other]![pivot]! / rows[pivot]![pivot]!;
      for (let column = pivot; column <= rows.length; column++) rows[other]![column]! -= factor * rows[pivot]![column]!;
    }
  }
  return rows.map((row_, index) => row_[rows.length]! / row_[index]!);
}

describe('simulating totals', () => {
  const work = (units: number) => Array.from({ length: units }, (_, index) => ({ kind: { ...kind, unit: `Unit ${index}` }, models: 10 }));
  const spread = (values: Float64Array) => Math.log(quantile(values.slice().sort(), 0.9) / quantile(values.slice().sort(), 0.1));

  it('gives the same draws for the same seed', () => {
    const model = fitTimeModel([row(1)], NOW);
    expect(simulate(model, [work(2)], 50, 9)).to.deep.equal(simulate(model, [work(2)], 50, 9));
  });

  it('does not average out what all steps share', () => {
    const model = fitTimeModel([], NOW);
    const [few, many] = simulate(model, [work(1), work(40)], 2000, 3) as [Float64Array, Float64Array];
    expect(spread(many)).to.be.lessThan(spread(few));
    expect(spread(many)).to.be.greaterThan(0.5);
  });

  it('slows all groups of a draw down together', () => {
    const [a, b] = simulate(
      fitTimeModel([], NOW),
      [work(5), work(5).map((item) => ({ ...item, kind: { ...item.kind, commission: 'Square' } }))],
      1500,
      5,
    ) as [Float64Array, Float64Array];
    expect(correlation(a, b)).to.be.greaterThan(0.5);
  });

  it('says the same of a step whatever other work is there', () => {
    const model = fitTimeModel([row(1)], NOW);
    const [alone] = simulate(model, [work(1)], 50, 9);
    const [, among] = simulate(model, [work(4).slice(1), work(1)], 50, 9);
    expect(among).to.deep.equal(alone);
  });

  it('has nothing left for no work', () => {
    expect([...simulate(fitTimeModel([], NOW), [[]], 3, 1)[0]!]).to.deep.equal([0, 0, 0]);
  });
});

function correlation(a: Float64Array, b: Float64Array): number {
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [meanA, meanB] = [mean(a), mean(b)];
  const dot = (f: (index: number) => number) => a.reduce((sum, _value, index) => sum + f(index), 0);
  const covariance = dot((i) => (a[i]! - meanA) * (b[i]! - meanB));
  return covariance / Math.sqrt(dot((i) => (a[i]! - meanA) ** 2) * dot((i) => (b[i]! - meanB) ** 2));
}
