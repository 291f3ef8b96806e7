import { expect } from 'chai';
import { cholesky, inverseOf, times } from '../../../src/core/kernel/cholesky';
import type { JudgedRow } from '../../../src/core/log/definitions';
import type { StepKind } from '../../../src/core/time/definitions';
import { EFFECTS } from '../../../src/core/time/fit/effects';
import { Equations } from '../../../src/core/time/fit/Equations';
import { fitTimeModel } from '../../../src/core/time/learn/fitTimeModel';
import { prepareLog, type PreparedLog } from '../../../src/core/time/fit/observations';
import { priorPrecision } from '../../../src/core/time/fit/priorPrecision';
import { copyVariance, PRIOR_SPREADS } from '../../../src/core/time/fit/spreads';
import { errorsOf, orderAgain } from '../../../bench/estimates/likeOrders';
import { PAINTERS } from '../../../bench/estimates/madeUpLogs';
import { Random } from '../../support/random';
import { coat, logged } from '../../support/time';

const NOW = new Date('2026-11-23T18:00:00Z');
const days = (ago: number) => new Date(NOW.getTime() - ago * 86_400_000).toISOString();
const first = { unitId: 'u1', stepId: 's1', stepLike: null };
const copy = { unitId: 'u2', stepId: 's2', stepLike: 's1' };

/** Rows of one step: four models in each stretch, each so many minutes, from so many days ago. */
const stretches = (of: Partial<JudgedRow>, minutesEach: number, count: number, ago: number): JudgedRow[] =>
  Array.from({ length: count }, (_, index) =>
    logged(1, { ...of, models: 4, weight: 4, minutes: 4 * minutesEach, startedAt: days(ago - index / 100) }),
  );
const kindOf = (of: Partial<StepKind>): StepKind => ({ ...coat, ...of });
const p50 = (rows: readonly JudgedRow[], of: Partial<StepKind>) => fitTimeModel(rows, NOW).estimate(kindOf(of)).p50;

describe('a like order', () => {
  const log = stretches(first, 6, 6, 20);

  it('is estimated by what the first one took, and another order is not', () => {
    const [own, like, other] = [p50(log, first), p50(log, copy), p50(log, { ...copy, stepLike: null })];
    expect(like / own).to.be.within(0.85, 1);
    expect(Math.abs(other / own - 1)).to.be.greaterThan(Math.abs(like / own - 1));
  });

  it('is less sure the more its surface differs', () => {
    const width = (of: Partial<StepKind>) => {
      const { p10, p90 } = fitTimeModel(log, NOW).estimate(kindOf(of));
      return Math.log(p90 / p10);
    };
    expect(width(copy)).to.be.greaterThan(width(first));
    expect(width({ ...copy, coverage: 0.9 })).to.be.greaterThan(width(copy));
    expect(width(copy)).to.be.lessThan(width({ ...copy, stepLike: 'unknown' }));
  });

  it('begins where a share of the practice is left, less after months', () => {
    const practised = (ago: number) => fitTimeModel(stretches(first, 6, 6, ago), NOW).curve(kindOf(copy)).practised;
    expect(practised(1)).to.be.closeTo(0.5 * 24, 0.1);
    expect(practised(361)).to.be.closeTo(0.25 * 24, 0.1);
    expect(fitTimeModel(log, NOW).curve(kindOf({ ...copy, stepLike: null })).practised).to.equal(0);
  });

  it('goes by its own log more and more, and tells the first of it', () => {
    const after = (count: number) => [...log, ...stretches(copy, 9, count, 5)];
    const estimates = [0, 1, 4, 16].map((count) => p50(after(count), copy));
    expect(estimates).to.deep.equal(estimates.toSorted((a, b) => a - b));
    expect(p50(after(16), first)).to.be.greaterThan(p50(log, first));
    expect(fitTimeModel(after(4), NOW).modelsDone(kindOf(copy))).to.equal(16);
  });

  it('is tied to copies of the same step where nothing is known of the step itself', () => {
    const sister = { unitId: 'u3', stepId: 's3', stepLike: 's1' };
    const rows = stretches(sister, 6, 6, 20);
    expect(p50(rows, copy)).to.be.closeTo(p50(log, copy), 1e-9);
    expect(p50(rows, first) / p50(rows, copy)).to.be.closeTo(1, 1e-9);
  });

  it('is not tied by another technique, nor by an id that is used twice', () => {
    expect(p50(log, { ...copy, technique: 'edge' })).to.be.closeTo(p50(log, { ...copy, stepLike: null, technique: 'edge' }), 1e-9);
    const twice = [...log, ...stretches({ unitId: 'u9', stepId: 's1', stepLike: null }, 12, 6, 10)];
    expect(prepareLog(twice, NOW).steps).to.have.length(2);
  });

  it('comes to the posterior of one large system of equations', () => {
    const random = new Random(7);
    const rows = ['s1', 's2', 's3'].flatMap((stepId, place) =>
      ['a', 'b'].flatMap((part) =>
        stretches(
          { unitId: `u${place}`, stepId: part + stepId, stepLike: place === 0 ? null : `${part}s1`, part },
          4 + 3 * random.uniform(),
          3,
          40 - 10 * place,
        ),
      ),
    );
    const log = prepareLog(rows, NOW);
    const told = {
      precision: Float64Array.from(log.observations, () => 20 + 30 * random.uniform()),
      values: Float64Array.from(log.observations, ({ logRatio }) => logRatio),
      offsets: Float64Array.from(log.observations, () => random.uniform() - 0.5),
      slopeTerms: Float64Array.from(log.observations, () => random.uniform() - 0.5),
    };
    const equations = new Equations(log);
    equations.solve(told.precision, told.values, told.offsets, told.slopeTerms, PRIOR_SPREADS);
    const dense = denseSolution(log, told);
    expect(log.copies).to.have.length(6);
    for (const [index, mean] of equations.copyMeans.entries()) expect(mean).to.be.closeTo(dense.copyMean(index), 1e-9);
    for (const [index, mean] of equations.ownMeans.entries()) expect(mean).to.be.closeTo(dense.ownMean(index), 1e-9);
    for (const index of log.copies.keys()) expect(equations.varianceOfCopy(index)).to.be.closeTo(dense.copyVariance(index), 1e-9);
    const [means, variances] = [new Float64Array(rows.length), new Float64Array(rows.length)];
    equations.marginals(told.slopeTerms, means, variances);
    for (const row of [0, 5, 17]) {
      expect(means[row]).to.be.closeTo(dense.rowMean(row), 1e-9);
      expect(variances[row]).to.be.closeTo(dense.rowVariance(row), 1e-9);
    }
  });

  it('painted again takes what was foretold within a tenth, where orders without a tie are a fifth off', function () {
    const orders = Array.from({ length: 8 }, (_, index) => orderAgain(PAINTERS[0]!, index + 1));
    const [tied, untied] = [errorsOf(orders.map((each) => each.tied)), errorsOf(orders.map((each) => each.untied))];
    expect(tied.error).to.be.lessThan(0.1);
    expect(Math.abs(tied.bias)).to.be.lessThan(Math.abs(untied.bias));
  });
});

interface Told {
  precision: Float64Array;
  values: Float64Array;
  offsets: Float64Array;
  slopeTerms: Float64Array;
}

/** The same normal equations written down whole, and solved without any order to it. */
function denseSolution(log: PreparedLog, { precision, values, offsets, slopeTerms }: Told) {
  const units = 1 + Math.max(...log.steps.map(({ unit }) => unit));
  const ownAt = EFFECTS + units;
  const copyAt = ownAt + 2 * log.steps.length;
  const size = copyAt + log.copies.length;
  const prior = priorPrecision(PRIOR_SPREADS, Math.max(...log.observations.map(({ pace }) => pace)));
  const matrix = new Float64Array(size * size);
  const right = new Float64Array(size);
  const add = (i: number, j: number, value: number) => (matrix[i * size + j]! += value);
  for (let i = 0; i < EFFECTS; i++) {
    right[i] = prior.right[i]!;
    for (let j = 0; j < EFFECTS; j++) add(i, j, prior.precision[i * EFFECTS + j]!);
  }
  for (let unit = 0; unit < units; unit++) add(EFFECTS + unit, EFFECTS + unit, 1 / PRIOR_SPREADS.unit ** 2);
  for (let step = 0; step < log.steps.length; step++) {
    add(ownAt + 2 * step, ownAt + 2 * step, 1 / PRIOR_SPREADS.step ** 2);
    add(ownAt + 2 * step + 1, ownAt + 2 * step + 1, 1 / PRIOR_SPREADS.stepSlope ** 2);
  }
  for (let copyOf = copyAt; copyOf < size; copyOf++) add(copyOf, copyOf, 1 / copyVariance(PRIOR_SPREADS));
  const loadsOf = (row: number): Map<number, number> => {
    const { step, copy: place, pace } = log.observations[row]!;
    const { fixed, slopes, unit } = log.steps[step]!;
    const loads = new Map([...fixed, pace, EFFECTS + unit, ownAt + 2 * step, copyAt + place].map((key) => [key, 1]));
    for (const key of [...slopes, ownAt + 2 * step + 1]) loads.set(key, slopeTerms[row]!);
    return loads;
  };
  for (const row of log.observations.keys()) {
    const loads = loadsOf(row);
    for (const [i, a] of loads) {
      right[i]! += precision[row]! * a * (values[row]! - offsets[row]!);
      for (const [j, b] of loads) add(i, j, precision[row]! * a * b);
    }
  }
  const covariance = inverseOf(cholesky(matrix, size), size);
  const means = times(covariance, right);
  const sumOver = (row: number, of: (effect: number, load: number) => number) =>
    [...loadsOf(row)].reduce((sum, [effect, load]) => sum + of(effect, load), 0);
  return {
    copyMean: (index: number) => means[copyAt + index]!,
    ownMean: (index: number) => means[ownAt + index]!,
    copyVariance: (index: number) => covariance[(copyAt + index) * size + copyAt + index]!,
    rowMean: (row: number) => sumOver(row, (effect, load) => load * means[effect]!),
    rowVariance: (row: number) => sumOver(row, (i, a) => sumOver(row, (j, b) => a * b * covariance[i * size + j]!)),
  };
}
