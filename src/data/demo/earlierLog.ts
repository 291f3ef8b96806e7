import { DAY_MS } from '../../core/kernel/timeUnits';
import type { Size } from '../../core/scheme/model/definitions';
import type { Technique } from '../../core/scheme/model/techniques';
import type { IdentifiedLogRow } from '../../core/bench/replay/logRowsOf';
import { meanShare } from '../../core/time/fit/learningCurve';
import { normMinutes } from '../../core/time/fit/norms';
import type { DemoRandom } from './random';

const EARLIER: { commission: string; units: { name: string; size: Size; models: number }[] }[] = [
  {
    commission: 'Harbour fair',
    units: [
      { name: 'Net menders', size: 'foot', models: 12 },
      { name: 'Cart ponies', size: 'mounted', models: 5 },
    ],
  },
  {
    commission: 'Canal lock crew',
    units: [
      { name: 'Lock hands', size: 'foot', models: 10 },
      { name: 'Barge hands', size: 'heavy', models: 6 },
    ],
  },
  {
    commission: 'Orchard pickers',
    units: [
      { name: 'Apple pickers', size: 'foot', models: 16 },
      { name: 'Beehives', size: 'scenery', models: 4 },
    ],
  },
  {
    commission: 'Sea wall builders',
    units: [
      { name: 'Masons', size: 'heavy', models: 8 },
      { name: 'Herding dogs', size: 'tiny', models: 12 },
    ],
  },
];

const PARTS: [string, number][] = [
  ['Face and hands', 0.06],
  ['Coat', 0.22],
  ['Trousers', 0.15],
  ['Boots', 0.06],
  ['Tools', 0.05],
  ['Belt', 0.04],
];
const ON_PART: Technique[] = ['basecoat', 'layer', 'edge'];
const OVER_ALL: [Technique, number][] = [
  ['prime', 1],
  ['wash', 0.85],
  ['texture', 0.12],
  ['drybrush', 0.12],
  ['rim', 0.04],
  ['scatter', 0.05],
  ['varnish', 1],
];

/** The painter of the demo: slow with detail, fast with the dry brush, and faster month by month. */
const HABIT: Partial<Record<Technique, number>> = { edge: 1.25, layer: 1.12, drybrush: 0.8, wash: 0.85, texture: 1.15, eyes: 1.3 };
const FIRST_PACE = 1.3;
const LAST_PACE = 0.9;
/** Every doubling of models saves the demo's painter a tenth. */
export const DEMO_SLOPE = -Math.log2(0.9);
const LOG_DAYS = 240;
/** One stretch in so many was interrupted and took three to four times as long. */
const INTERRUPTED_EVERY = 47;

/** The pace of the demo's painter, relative to the norm, so many days before the demo is filled. */
export function demoPace(technique: Technique, daysAgo: number): number {
  const progress = Math.min(1, Math.max(0, 1 - daysAgo / LOG_DAYS));
  return (HABIT[technique] ?? 1) * (FIRST_PACE + (LAST_PACE - FIRST_PACE) * Math.sqrt(progress));
}

/** Time log rows of earlier commissions: two evenings and a Saturday a week until ten days before `now`. */
export function earlierLog(now: Date, random: DemoRandom, newId: () => string): IdentifiedLogRow[] {
  const passes = EARLIER.flatMap(({ commission, units }) => units.flatMap((unit) => unitPasses(commission, unit)));
  const step = (LOG_DAYS - 10) / passes.length;
  return passes.map((pass, index) => {
    const daysAgo = LOG_DAYS - index * step;
    const norm = normMinutes(pass.technique, pass.size, pass.coverage) * pass.models;
    const interruption = index % INTERRUPTED_EVERY === INTERRUPTED_EVERY - 1 ? 3 + random.uniform() : 1;
    const minutes =
      norm *
      meanShare(pass.done, pass.models, DEMO_SLOPE) *
      demoPace(pass.technique, daysAgo) *
      Math.exp(0.16 * random.normal()) *
      interruption;
    return {
      id: newId(),
      startedAt: eveningOf(now, daysAgo, index, random),
      commissionId: null,
      unitId: null,
      stepId: null,
      stepLike: null,
      ...withoutDone(pass),
      weight: pass.models,
      effort: 1,
      open: null,
      minutes: Math.round(minutes * 10) / 10,
      setupMinutes: Math.round((1.5 + 3 * random.uniform()) * 10) / 10,
      setupFrom: null,
      setupTo: null,
      note: '',
    };
  });
}

function unitPasses(commission: string, unit: { name: string; size: Size; models: number }) {
  const halves = [Math.ceil(unit.models / 2), Math.floor(unit.models / 2)];
  const kinds = [
    ...OVER_ALL.map(([technique, coverage]) => ({ part: '', technique, coverage })),
    ...PARTS.flatMap(([part, coverage]) =>
      ON_PART.map((technique) => ({ part, technique, coverage: technique === 'basecoat' ? coverage : coverage / 3 })),
    ),
  ];
  return kinds.flatMap((kind) =>
    halves.map((models, half) => ({
      done: half * halves[0]!,
      commission,
      unit: unit.name,
      size: unit.size,
      ...kind,
      coverage: Math.round(kind.coverage * 1000) / 1000,
      models,
    })),
  );
}

function withoutDone<P extends { done: number }>({ done: _done, ...pass }: P): Omit<P, 'done'> {
  return pass;
}

function eveningOf(now: Date, daysAgo: number, index: number, random: DemoRandom): string {
  const day = new Date(now.getTime() - daysAgo * DAY_MS);
  day.setHours(18, (index * 7) % 60, Math.floor(random.uniform() * 60), 0);
  return day.toISOString();
}
