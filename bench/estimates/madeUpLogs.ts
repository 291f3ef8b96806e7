import { SIZES, type Size } from '../../src/core/scheme/model/definitions';
import type { Technique } from '../../src/core/scheme/model/techniques';
import type { JudgedRow } from '../../src/core/log/definitions';
import { normMinutes } from '../../src/core/time/fit/norms';
import { Random } from '../../test/support/random';

/**
 * Logs of painters that exist nowhere, and that do not work as the time model believes: other curves, other noise, moods of an
 * evening, tired ends, sudden changes. The model is not tuned to any of them.
 */
export interface MadeUpRow {
  row: JudgedRow;
  /** What a forecaster would say who knows the painter, but not the chances of a stretch. */
  expected: number;
  /** Hands-on minutes: what it took less the interruption. */
  sound: number;
}

/** What sets painters apart; all in log minutes except where said. */
export interface Painter {
  name: string;
  says: string;
  /** Spread of techniques, sizes, units and steps. */
  differs: { pace: number; technique: number; size: number; unit: number; step: number };
  /** Share of the first model's minutes that the r-th takes. */
  curve: (repetition: number) => number;
  /** Noise of a stretch of so many models, as a factor with median 1. */
  noise: (random: Random, models: number) => number;
  /** Log factor of an evening, drawn once for each, and of each stretch in it. */
  evening: (random: Random, place: number) => number;
  tired: (stretch: number) => number;
  /** Log factor of the pace so many months after the start. */
  drift: (months: number) => number;
  interrupted: number;
}

/** The first numbers of neighbouring seeds are alike: what sets painters apart is drawn from later ones. */
export function mixedRandom(seed: number): Random {
  const random = new Random(seed);
  for (let draw = 0; draw < 50; draw++) random.uniform();
  return random;
}

const gauss = (random: Random) => Math.sqrt(-2 * Math.log(1 - random.uniform())) * Math.cos(2 * Math.PI * random.uniform());
const quiet = () => 0;

export const PAINTERS: readonly Painter[] = [
  {
    name: 'steady',
    says: '12 % saved at each doubling, lognormal noise, a slow drift, 4 % interrupted',
    differs: { pace: 0.3, technique: 0.25, size: 0.1, unit: 0.12, step: 0.15 },
    curve: (repetition) => repetition ** Math.log2(0.88),
    noise: (random, models) => Math.exp(gauss(random) * Math.sqrt(0.12 ** 2 + 0.3 ** 2 / models)),
    evening: quiet,
    tired: quiet,
    drift: (months) => -0.02 * months,
    interrupted: 0.04,
  },
  {
    name: 'plateau',
    says: 'quick to learn and then no faster (exponential curve), gamma noise',
    differs: { pace: 0.3, technique: 0.3, size: 0.15, unit: 0.1, step: 0.2 },
    curve: (repetition) => 0.7 + 0.3 * Math.exp(-(repetition - 1) / 4),
    noise: (random, models) => gammaNoise(random, 0.1 + 0.15 / models),
    evening: quiet,
    tired: quiet,
    drift: quiet,
    interrupted: 0.03,
  },
  {
    name: 'moody',
    says: 'evenings of their own, tired towards their end, a new lamp after half the time, noise with heavy tails',
    differs: { pace: 0.25, technique: 0.2, size: 0.1, unit: 0.2, step: 0.15 },
    curve: (repetition) => repetition ** Math.log2(0.92),
    noise: (random, models) =>
      Math.exp(((gauss(random) * Math.sqrt(0.1 ** 2 + 0.2 ** 2 / models)) / Math.sqrt(random.uniform() + 0.2)) * 0.9),
    evening: (random) => 0.15 * gauss(random),
    tired: (stretch) => 0.015 * stretch,
    drift: (months) => (months > 5 ? -0.2 : 0),
    interrupted: 0.05,
  },
  {
    name: 'even',
    says: 'practised: learns nothing any more, hardly differs between techniques, even noise',
    differs: { pace: 0.4, technique: 0.08, size: 0.05, unit: 0.05, step: 0.08 },
    curve: () => 1,
    noise: (random) => 0.8 + 0.4 * random.uniform(),
    evening: quiet,
    tired: quiet,
    drift: (months) => 0.01 * months,
    interrupted: 0.02,
  },
];

/** Gamma with so large a variance, over its median (Wilson and Hilferty's cube). */
function gammaNoise(random: Random, variance: number): number {
  const shape = 1 / variance;
  const cube = 1 - 1 / (9 * shape) + gauss(random) / Math.sqrt(9 * shape);
  return Math.max(0.05, cube) ** 3 / (1 - 1 / (9 * shape)) ** 3;
}

export const USED: readonly Technique[] = [
  'basecoat',
  'wash',
  'layer',
  'edge',
  'drybrush',
  'detail',
  'eyes',
  'rim',
  'prime',
  'glaze',
  'texture',
  'varnish',
];
const PARTS = ['Coat', 'Trousers', 'Boots', 'Face', 'Lamp', 'Hood', 'Basket', 'Base'];
const EVENING_STRETCHES = 7;
const MONTH_MS = 30 * 86_400_000;
const START = Date.parse('2025-01-06T19:00:00Z');

/** What a stretch of work is of, as far as it sets its pace. `level` is that of its unit and step, log minutes. */
export interface MadeUpStep {
  technique: Technique;
  size: Size;
  coverage: number;
  level: number;
}

/** One painter at work: what they take for a stretch, and when the next evening is. */
export class MadeUpHands {
  private readonly pace: number;
  private readonly ofTechnique: Map<Technique, number>;
  private readonly ofSize: Map<Size, number>;
  private inEvening = 0;
  private mood: number;
  at = START;

  constructor(
    private readonly painter: Painter,
    private readonly random: Random,
    techniques: readonly Technique[],
  ) {
    this.pace = this.differ(painter.differs.pace);
    this.ofTechnique = new Map(techniques.map((technique) => [technique, this.differ(painter.differs.technique)]));
    this.ofSize = new Map(SIZES.map((size) => [size, this.differ(painter.differs.size)]));
    this.mood = painter.evening(random, 0);
  }

  /** A difference of so large a spread. */
  differ(spread: number): number {
    return spread * gauss(this.random);
  }

  /** Goes to another evening after so many stretches. */
  rest(): void {
    if (this.inEvening < EVENING_STRETCHES) return;
    this.at += Math.ceil((this.random.whole(1, 3) * 24 * 60 - this.inEvening * 20) * 60_000);
    this.inEvening = 0;
    this.mood = this.painter.evening(this.random, 0);
  }

  /** Minutes of the models `done` + 1 to `done` + `models`: what is to be expected, the hands-on ones, and with the interruption. */
  paint(step: MadeUpStep, done: number, models: number): { expected: number; sound: number; minutes: number } {
    const { painter, random } = this;
    let curve = 0;
    for (let repetition = done + 1; repetition <= done + models; repetition++) curve += painter.curve(repetition) / models;
    const months = (this.at - START) / MONTH_MS;
    const level =
      this.pace + (this.ofTechnique.get(step.technique) ?? 0) + this.ofSize.get(step.size)! + step.level + painter.drift(months);
    const norm = normMinutes(step.technique, step.size, step.coverage) * models * curve * 1.25;
    const expected = norm * Math.exp(level + this.mood + painter.tired(this.inEvening));
    const sound = Math.max(0.05, expected * painter.noise(random, models));
    this.inEvening++;
    return { expected, sound, minutes: sound * (random.chance(painter.interrupted) ? 2 + 2 * random.uniform() : 1) };
  }
}

export interface Step extends MadeUpStep {
  commission: string;
  unit: string;
  part: string;
  models: number;
  tray: number;
}

/** The stretches of a painter's commissions in the order they were painted, at least `least` of them, and always to a commission's end. */
export function madeUpLog(painter: Painter, seed: number, least: number): MadeUpRow[] {
  const random = mixedRandom(seed);
  const hands = new MadeUpHands(painter, random, USED);
  const rows: MadeUpRow[] = [];
  for (let commission = 0; rows.length < least; commission++) {
    const units = Array.from({ length: random.whole(2, 4) }, (_, index) =>
      stepsOfUnit(painter, random, hands, `Commission ${commission + 1}`, `Unit ${index + 1}`, index),
    );
    for (const { step, done, models } of stretchesOf(units.flat())) {
      hands.rest();
      const { expected, sound, minutes } = hands.paint(step, done, models);
      rows.push({ row: rowOf(step, models, minutes, hands.at), expected, sound });
      hands.at += Math.ceil(minutes + 4) * 60_000;
    }
  }
  return rows;
}

/** Each step tray by tray. */
export const stretchesOf = (steps: readonly Step[]): { step: Step; done: number; models: number }[] =>
  steps.flatMap((step) => {
    const stretches: { step: Step; done: number; models: number }[] = [];
    for (let done = 0; done < step.models; done += step.tray)
      stretches.push({ step, done, models: Math.min(step.tray, step.models - done) });
    return stretches;
  });

/** The steps of a unit that exists nowhere; `place` moves its parts about. */
export function stepsOfUnit(painter: Painter, random: Random, hands: MadeUpHands, commission: string, unit: string, place = 0): Step[] {
  const size = random.pick(['foot', 'foot', 'foot', 'heavy', 'mounted'] as const);
  const models = random.whole(3, 20);
  const tray = random.whole(4, 10);
  const own = hands.differ(painter.differs.unit);
  return Array.from({ length: random.whole(6, 14) }, (_, step): Step => ({
    commission,
    unit,
    part: PARTS[(step * 3 + place) % PARTS.length]!,
    technique: random.pick(USED),
    size,
    coverage: Math.round((0.03 + 0.4 * random.uniform() ** 2) * 100) / 100,
    level: own + hands.differ(painter.differs.step),
    models,
    tray,
  })).filter((step, at, all) => all.findIndex((each) => each.part === step.part && each.technique === step.technique) === at);
}

export const rowOf = (step: Step, models: number, minutes: number, at: number): JudgedRow => ({
  startedAt: new Date(at).toISOString(),
  commissionId: null,
  unitId: null,
  stepId: null,
  stepLike: null,
  commission: step.commission,
  unit: step.unit,
  part: step.part,
  technique: step.technique,
  size: step.size,
  coverage: step.coverage,
  models,
  weight: models,
  effort: 1,
  minutes: Math.round(minutes * 10) / 10 || 0.1,
  open: null,
  setupMinutes: null,
  setupFrom: null,
  setupTo: null,
  note: '',
  verdict: 'unsure',
  correctedMinutes: null,
});
