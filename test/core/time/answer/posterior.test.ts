import { expect } from 'chai';
import { allAtOnce } from '../../../../src/core/kernel/steps';
import type { JudgedRow } from '../../../../src/core/log/definitions';
import type { StepKind } from '../../../../src/core/time/definitions';
import { fitTimeModel, learnSpreadsOf } from '../../../../src/core/time/learn/fitTimeModel';
import { FLOOR, logShare, meanShare } from '../../../../src/core/time/fit/learningCurve';
import { normMinutes } from '../../../../src/core/time/fit/norms';
import { mixtureQuantile, normalShare, Z80, Z90 } from '../../../../src/core/time/answer/normal';
import { noiseParts } from '../../../../src/core/time/fit/noise';
import { PACE_SPREAD, PRIOR_SPREADS, SLOPE } from '../../../../src/core/time/fit/spreads';
import { Random, seeds } from '../../../support/random';
import { ahead, logged, TONIGHT } from '../../../support/time';

/** Every effect of a row by name, with its prior mean and spread, plainly. */
const effectsOf = (row: StepKind): [key: string, mean: number, spread: number, ofSlope: boolean][] => [
  ['pace', 0, PACE_SPREAD, false],
  [`technique ${row.technique}`, 0, PRIOR_SPREADS.technique, false],
  [`size ${row.size}`, 0, PRIOR_SPREADS.size, false],
  [`unit ${row.unit}`, 0, PRIOR_SPREADS.unit, false],
  [`step ${row.unit} ${row.part} ${row.technique}`, 0, PRIOR_SPREADS.step, false],
  ['slope', SLOPE.mean, SLOPE.spread, true],
  [`slope ${row.technique}`, 0, PRIOR_SPREADS.techniqueSlope, true],
  [`slope ${row.unit} ${row.part} ${row.technique}`, 0, PRIOR_SPREADS.stepSlope, true],
];

interface Plain {
  expected: (kind: StepKind, done: number, models: number) => number;
}

/** Draws from the posterior by Metropolis steps on one effect after the other, with the learning curve and the noise as they are. */
function* sampled(rows: readonly JudgedRow[], kinds: readonly StepKind[], sweeps: number, random: Random): Generator<Plain> {
  const priors = [...new Map([...rows, ...kinds].flatMap(effectsOf).map((effect) => [effect[0], effect])).values()];
  const effects = priors.map(([, mean]) => mean);
  const places = new Map(priors.map(([key], place) => [key, place]));
  const placesOf = new Map(
    [...rows, ...kinds].map((kind): [StepKind, Record<'level' | 'slope', number[]>] => {
      const of = (slope: boolean) => effectsOf(kind).flatMap(([key, , , ofSlope]) => (ofSlope === slope ? [places.get(key)!] : []));
      return [kind, { level: of(false), slope: of(true) }];
    }),
  );
  const sumOf = (at: readonly number[]) => at.reduce((sum, place) => sum + effects[place]!, 0);
  const expected = (kind: StepKind, done: number, models: number) => {
    const { level, slope } = placesOf.get(kind)!;
    return sumOf(level) + Math.log(meanShare(done, models, sumOf(slope)));
  };
  const done = new Map<string, number>();
  const data = rows.map((row) => {
    const key = `${row.unit} ${row.part} ${row.technique}`;
    const before = done.get(key) ?? 0;
    done.set(key, before + row.models);
    const value = Math.log(row.minutes / row.weight / normMinutes(row.technique, row.size, row.coverage));
    const parts = noiseParts(PRIOR_SPREADS, row.models);
    return { row, before, value, parts: row.verdict === 'counts' ? [{ ...parts[0]!, share: 1 }] : parts };
  });
  const logPosterior = () => {
    let sum = 0;
    for (const [place, [, mean, spread]] of priors.entries()) sum -= ((effects[place]! - mean) / spread) ** 2 / 2;
    for (const { row, before, value, parts } of data) {
      const at = expected(row, before, row.models);
      let density = 0;
      for (const { share, shift, variance } of parts)
        density += (share * Math.exp(-((value - shift - at) ** 2) / (2 * variance))) / Math.sqrt(variance);
      sum += Math.log(density);
    }
    return sum;
  };
  let now = logPosterior();
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (const [place, [, , spread]] of priors.entries()) {
      const before = effects[place]!;
      effects[place] = before + spread * (2 * random.uniform() - 1) * 1.5;
      const next = logPosterior();
      if (Math.log(random.uniform()) < next - now) now = next;
      else effects[place] = before;
    }
    if (sweep > sweeps / 10) yield { expected };
  }
}

describe('the posterior', () => {
  for (const seed of seeds(2)) {
    it(`agrees with a slow sampler of the same model (log ${seed})`, () => {
      const random = new Random(seed);
      const rows = Array.from({ length: 9 }, (_, index) =>
        logged(Math.exp(0.5 * random.uniform() - 0.1), {
          unit: `Unit ${index % 2}`,
          part: `Part ${index % 3}`,
          technique: random.pick(['basecoat', 'edge'] as const),
          models: random.whole(1, 12),
          verdict: random.chance(0.5) ? 'counts' : 'unsure',
          startedAt: `2026-11-${14 + Math.floor(index / 2)}T${18 + (index % 2)}:00:00Z`,
        }),
      );
      const now = new Date('2026-11-20T00:00:00Z');
      const model = fitTimeModel(rows, now);
      const kinds: StepKind[] = [rows[0]!, rows[5]!, { ...rows[1]!, part: 'New' }, { ...rows[2]!, unit: 'New', technique: 'wash' }];
      const sums = kinds.map(() => ({ count: 0, sum: 0, squares: 0 }));
      for (const { expected } of sampled(rows, kinds, 12_000, random)) {
        for (const [index, kind] of kinds.entries()) {
          const value = expected(kind, 12, 8);
          sums[index]!.count++;
          sums[index]!.sum += value;
          sums[index]!.squares += value ** 2;
        }
      }
      for (const [index, kind] of kinds.entries()) {
        const { count, sum, squares } = sums[index]!;
        const mean = sum / count;
        const estimate = model.estimate(kind, ahead(12, 8));
        const norm = normMinutes(kind.technique, kind.size, kind.coverage);
        const spread = Math.sqrt(squares / count - mean ** 2);
        expect(Math.log(estimate.p50 / norm), `mean of kind ${index}`).to.be.closeTo(mean, 0.02 + 0.1 * spread);
        // What is sure of a stretch to come: what is expected, and the noise of eight models.
        const [ordinary, loose] = noiseParts(PRIOR_SPREADS, 8);
        const upper = mixtureQuantile(
          [ordinary!, loose!].map(({ share, variance }) => ({ share, mean, variance: variance + spread ** 2 })),
          0.9,
        );
        expect(Math.log(estimate.p90 / norm) - upper, `P90 of kind ${index}`).to.be.closeTo(0, 0.03 + 0.1 * spread);
      }
    });
  }
});

describe('spreads', () => {
  const learned = (rows: JudgedRow[]) => allAtOnce(learnSpreadsOf(rows, TONIGHT));
  const gauss = (random: Random) => Math.sqrt(-2 * Math.log(1 - random.uniform())) * Math.cos(2 * Math.PI * random.uniform());
  const log = (stepSpread: number, noise: number, odd = 0) => {
    const random = new Random(5);
    // The first number of a small seed is nearly 1: five spreads away.
    random.uniform();
    return seeds(80).flatMap((step) => {
      const own = stepSpread * gauss(random);
      return [0, 1, 2].map((turn) =>
        logged(Math.exp(own + noise * gauss(random)) * (random.chance(odd) ? 3 : 1), {
          unit: `Unit ${step % 6}`,
          part: `Part ${step}`,
          models: 20,
          startedAt: new Date(TONIGHT.getTime() - (100 - step) * 3_600_000 + turn * 60_000).toISOString(),
        }),
      );
    });
  };

  it('are those of their priors while nothing is logged', () => {
    const spreads = learned([]);
    for (const key of Object.keys(spreads) as (keyof typeof spreads)[]) expect(spreads[key]).to.be.closeTo(PRIOR_SPREADS[key], 1e-9);
  });

  it('are learned from the log: how much steps differ, how noisy a stretch is, how often one is odd', () => {
    expect(learned(log(0.4, 0.1)).step).to.be.within(0.3, 0.45);
    expect(learned(log(0.05, 0.1)).step).to.be.within(0.05, 0.14);
    expect(learned(log(0.2, 0.3)).stretch).to.be.greaterThan(learned(log(0.2, 0.1)).stretch + 0.1);
    expect(learned(log(0.2, 0.1, 0.15)).odd).to.be.within(0.09, 0.2);
    expect(learned(log(0.2, 0.1)).odd).to.be.lessThan(0.04);
  });
});

describe('the learning curve', () => {
  /** The sum model by model, as it is defined. */
  const slowShare = (done: number, models: number, slope: number) => {
    let sum = 0;
    for (let nth = done + 1; nth <= done + models; nth++) sum += Math.max(nth ** -slope, FLOOR);
    return (sum / models) * 5 ** slope;
  };

  it('is the mean over the models of a stretch', () => {
    for (const slope of [0, 0.1, 0.184, 0.3, 0.5])
      for (const done of [0, 1, 5, 12, 40])
        for (const models of [1, 4, 10, 30])
          expect(meanShare(done, models, slope) / slowShare(done, models, slope), `${done}, ${models}, ${slope}`).to.be.closeTo(1, 0.012);
  });

  it('never goes below its floor', () => {
    for (const slope of [0.1, 0.3, 0.7])
      expect(meanShare(100_000, 10, slope)).to.be.closeTo(Math.max(FLOOR, 100_000 ** -slope) * 5 ** slope, 0.01);
  });

  it('costs the same over all trays of a step, however it is cut', () => {
    const whole = 30 * meanShare(0, 30, 0.2);
    const cut = 7 * meanShare(0, 7, 0.2) + 12 * meanShare(7, 12, 0.2) + 11 * meanShare(19, 11, 0.2);
    expect(cut).to.be.closeTo(whole, 1e-9);
  });

  it('knows how it changes with the slope', () => {
    for (const done of [0, 3, 25])
      for (const slope of [0.05, 0.2, 0.4]) {
        const difference = (logShare(done, 8, slope + 1e-5).value - logShare(done, 8, slope - 1e-5).value) / 2e-5;
        expect(logShare(done, 8, slope).bySlope).to.be.closeTo(difference, 1e-3);
      }
  });
});

describe('quantiles', () => {
  it('of a single normal are those of tables, and of a mixture leave its share below', () => {
    expect(mixtureQuantile([{ share: 1, mean: 2, variance: 4 }], 0.8)).to.be.closeTo(2 + 2 * Z80, 1e-6);
    expect(mixtureQuantile([{ share: 3, mean: 0, variance: 1 }], 0.9)).to.be.closeTo(Z90, 1e-6);
    const parts = [
      { share: 0.9, mean: 0, variance: 1 },
      { share: 0.1, mean: 3, variance: 0.25 },
    ];
    const at = mixtureQuantile(parts, 0.93);
    expect(0.9 * normalShare(at) + 0.1 * normalShare((at - 3) / 0.5)).to.be.closeTo(0.93, 1e-9);
  });
});
