import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { lineFormatOf, type LineAfter, type LineDue, type LineJob, type LinePrefer, type LineProblem } from '../src/core/line/definitions';

export interface CommissionShape {
  jobs: number;
  /** Trays the jobs are spread over; by default about eleven jobs to a tray, as a scheme of a few parts gives. */
  trays?: number;
  /** Evenings of three hours, or one endless session. */
  sessions?: boolean;
  /** Trays that cost fetching, and units that belong to up to four commissions with dates, some of them hard to keep. */
  dates?: boolean;
  /** Minutes at the bench, days and legs weighed as the program ships, and every other preference a wish. */
  weighed?: boolean;
}

const WEIGHTS = { bench: 1, span: 0.0035, leg: 0.3 };

/** Light, palette and water, before the first setup of a session. */
const SIT_DOWN_MINUTES = 1.5;

interface Pass {
  name: string;
  setup: string;
  tool?: string;
  minutes: number;
  dry: number;
  handle: number;
  /** Earlier passes of the unit it waits for. */
  after: { name: string; scope: LineAfter['scope'] }[];
  /** Passes that had better come before it, being deeper. */
  prefer: { name: string; minutes: number }[];
  leadersOnly: boolean;
}

const PARTS = ['face', 'shirt', 'trousers', 'coat', 'boots', 'belt', 'bag', 'rope'];

/**
 * A made-up commission as a line problem, the same for the same seed and shape: units that share a palette, schemes of
 * prime, base coats from the deepest part outwards, washes, highlights, a dry brush that rests, leaders with extra
 * passes, trays of up to a dozen models.
 */
export function madeUpCommission(seed: number, shape: CommissionShape): LineProblem {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  const whole = (low: number, high: number) => low + Math.floor(uniform() * (high - low + 1));
  const pick = <T>(items: readonly T[]) => items[Math.floor(uniform() * items.length)]!;
  const trayCount = shape.trays ?? Math.max(1, Math.round(shape.jobs / 11));
  const perTray = Math.ceil(shape.jobs / trayCount);
  const palette = Array.from({ length: whole(6, 10) + Math.floor(trayCount / 10) }, (_, index) => `paint ${index + 1}`);

  const trays: LineProblem['trays'] = [];
  const jobs: LineJob[] = [];
  const prefer: LinePrefer[] = [];
  const tools = new Map<string, string>();
  while (trays.length < trayCount) {
    const passes = unitPasses(perTray, palette, { uniform, whole, pick });
    const leaders = whole(0, 2);
    const unitTrays = Math.min(whole(1, 3), trayCount - trays.length);
    const models = whole(3, 12);
    for (let index = 0; index < unitTrays; index++) {
      const tray = { id: `tray ${trays.length + 1}`, models };
      trays.push(tray);
      const open = Math.round((shape.jobs * trays.length) / trayCount) - jobs.length;
      const here = new Set<string>();
      for (const pass of passes.slice(0, open)) {
        if (pass.leadersOnly && (leaders === 0 || index > 0)) pass.leadersOnly = false;
        here.add(pass.name);
        if (pass.tool) tools.set(pass.setup, pass.tool);
        jobs.push({
          id: `${pass.name} @ ${tray.id}`,
          tray: tray.id,
          setup: pass.setup,
          ...(pass.leadersOnly && { models: Array.from({ length: Math.min(leaders, models) }, (_, model) => model + 1) }),
          minutesPerModel: pass.minutes,
          dryMinutes: pass.dry,
          handleMinutes: pass.handle,
          after: pass.after.filter(({ name }) => here.has(name)).map(({ name, scope }) => ({ job: `${name} @ ${tray.id}`, scope })),
        });
        for (const { name, minutes } of pass.prefer)
          if (here.has(name)) prefer.push({ first: `${name} @ ${tray.id}`, then: `${pass.name} @ ${tray.id}`, minutes: minutes * models });
      }
    }
  }
  if (shape.dates) for (const tray of trays) tray.fetchMinutes = whole(1, 6) / 4;
  const due = shape.dates ? commissionDates(trays, jobs, shape.sessions === true, uniform) : undefined;
  const weights = shape.weighed ? WEIGHTS : undefined;
  const setups = [...new Set(jobs.map((job) => job.setup))].map((id) => ({ id, ...(tools.has(id) && { tool: tools.get(id)! }) }));
  return {
    format: lineFormatOf({ trays, due, weights }),
    trays,
    tools: [
      { id: 'dry brush', count: 2, restMinutes: 30 },
      { id: 'airbrush', count: 1, restMinutes: 5 },
    ],
    setups,
    start: setups.map(({ id }) => SIT_DOWN_MINUTES + changeover('', id)),
    changeover: setups.map((from) => setups.map((to) => changeover(from.id, to.id))),
    jobs,
    prefer: weights ? prefer.map((entry, index) => (index % 2 === 0 ? entry : { ...entry, wish: true })) : prefer,
    ...(weights && { weights }),
    ...(shape.sessions && { sessions: evenings(jobs) }),
    ...(due && { due }),
  };
}

interface Chance {
  uniform: () => number;
  whole: (low: number, high: number) => number;
  pick: <T>(items: readonly T[]) => T;
}

/** The passes of one unit, about as many as asked for. */
function unitPasses(count: number, palette: string[], { uniform, whole, pick }: Chance): Pass[] {
  const passes: Pass[] = [];
  const minutes = (low: number, high: number) => whole(low * 4, high * 4) / 4;
  const add = (pass: Partial<Pass> & Pick<Pass, 'name' | 'setup' | 'minutes' | 'dry'>) =>
    passes.push({ handle: 0, after: [], prefer: [], leadersOnly: false, ...pass });
  if (count > 3 && uniform() < 0.7)
    add({ name: 'prime', setup: `airbrush ${pick(['dark', 'pale'])}`, tool: 'airbrush', minutes: 0.5, dry: 40, handle: 15 });
  const primed = passes.map(({ name }) => ({ name, scope: 'tray' as const }));
  let deeper: string | null = null;
  for (let part = 0; passes.length < count; part++) {
    const name = PARTS[part % PARTS.length]! + (part < PARTS.length ? '' : ` ${Math.floor(part / PARTS.length) + 1}`);
    const paint = pick(palette);
    const base = `${name} base`;
    add({
      name: base,
      setup: `brush ${paint}`,
      minutes: minutes(0.75, 3),
      dry: whole(8, 20),
      handle: whole(0, 3),
      after: primed,
      prefer: deeper === null ? [] : [{ name: deeper, minutes: whole(1, 4) / 8 }],
    });
    deeper = base;
    const second = uniform();
    if (second < 0.3)
      add({
        name: `${name} second coat`,
        setup: `brush ${paint}`,
        minutes: minutes(0.5, 2),
        dry: whole(8, 20),
        after: [{ name: base, scope: 'model' }],
      });
    const under = second < 0.3 ? `${name} second coat` : base;
    if (uniform() < 0.45) {
      const wash = `${name} wash`;
      add({
        name: wash,
        setup: `wash ${pick(palette.slice(0, 3))}`,
        minutes: minutes(0.5, 1.25),
        dry: whole(25, 45),
        handle: whole(5, 12),
        after: [{ name: under, scope: 'model' }],
      });
      if (uniform() < 0.6)
        add({
          name: `${name} highlight`,
          setup: `brush ${uniform() < 0.6 ? paint : pick(palette)}`,
          minutes: minutes(0.75, 2.5),
          dry: whole(5, 12),
          after: [{ name: wash, scope: 'model' }],
          leadersOnly: uniform() < 0.15,
        });
    } else if (uniform() < 0.35)
      add({
        name: `${name} dry brush`,
        setup: `dry brush ${pick(palette.slice(0, 4))}`,
        tool: 'dry brush',
        minutes: minutes(0.25, 1),
        dry: whole(3, 8),
        after: [{ name: under, scope: 'model' }],
      });
  }
  return passes.slice(0, count);
}

/** The same paint in another tool is quickly at hand; another tool and another paint take longest. */
function changeover(from: string, to: string): number {
  if (from === to) return 0;
  const tool = (setup: string) => setup.replace(/ (paint \d+|dark|pale)$/, '');
  const paint = (setup: string) => setup.slice(tool(setup).length);
  const opening: Record<string, number> = { brush: 2, wash: 2.5, 'dry brush': 3, airbrush: 9 };
  return (opening[tool(to)] ?? 2) + (tool(from) === tool(to) ? 0 : 1) - (paint(from) === paint(to) ? 0.5 : 0);
}

/** Minutes of hands-on work a bench does in a minute, with what is lost on changeovers and waits taken off. */
const HANDS_ON_SHARE = 0.8;
const EVENING = 180;

/**
 * Neighbouring trays share a commission. The dates follow each other as the work would if one commission came after the other,
 * in an order of their own, with a tenth to spare at most.
 */
function commissionDates(trays: LineProblem['trays'], jobs: LineJob[], inEvenings: boolean, uniform: () => number): LineDue[] {
  const count = Math.min(4, trays.length);
  const commissions = Array.from({ length: count }, (_, index) => {
    const first = Math.round((index * trays.length) / count);
    const last = Math.round(((index + 1) * trays.length) / count);
    const own = new Set(trays.slice(first, last).map(({ id }) => id));
    const its = jobs.filter((job) => own.has(job.tray));
    return { id: `commission ${index + 1}`, jobs: its, turn: uniform() };
  });
  let minutes = 0;
  return commissions
    .filter((each) => each.jobs.length > 0)
    .sort((a, b) => a.turn - b.turn)
    .map((each) => {
      minutes += each.jobs.reduce((sum, job) => sum + handsOn(job, trays), 0) / HANDS_ON_SHARE;
      const at = minutes * (0.95 + 0.15 * uniform());
      return {
        id: each.id,
        jobs: each.jobs.map(({ id }) => id),
        at: inEvenings ? Math.floor(at / EVENING) * 1440 + EVENING : Math.round(at),
        perMinuteLate: 5,
      };
    });
}

function handsOn({ minutesPerModel, models, tray }: LineJob, trays: LineProblem['trays']): number {
  if (Array.isArray(minutesPerModel)) return minutesPerModel.reduce((sum, minutes) => sum + minutes, 0);
  return minutesPerModel * (models?.length ?? trays.find(({ id }) => id === tray)!.models);
}

/** Evenings of three hours, one a day, twice as many as the hands-on minutes need. */
function evenings(jobs: LineJob[]): NonNullable<LineProblem['sessions']> {
  const minutes = jobs.reduce(
    (sum, job) => sum + 12 * (Array.isArray(job.minutesPerModel) ? Math.max(...job.minutesPerModel) : job.minutesPerModel),
    0,
  );
  return Array.from({ length: Math.ceil((minutes * 2) / EVENING) + 10 }, (_, day) => ({ from: day * 1440, to: day * 1440 + EVENING }));
}
