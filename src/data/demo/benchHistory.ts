import { readCoatKey } from '../../core/kernel/ids';
import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { benchLine, factsOfPass } from '../../core/bench/guide/benchLine';
import type { BenchEvent, WorkFacts } from '../../core/bench/definitions';
import { SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { compileLine } from '../../core/line/problem/compileLine';
import type { LineSession } from '../../core/line/definitions';
import { solveLine } from '../../core/line/search/solveLine';
import { timeOrder } from '../../core/line/timing/timeOrder';
import { buildLine, type BuiltLine } from '../../core/plan/build/buildLine';
import type { Roster } from '../../core/plan/build/roster';
import type { JobInfo } from '../../core/plan/build/lineJobs';
import type { Commission } from '../../core/commission/definitions';
import type { Paint, Unit } from '../../core/scheme/model/definitions';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import { normMinutes } from '../../core/time/fit/norms';
import { meanShare } from '../../core/time/fit/learningCurve';
import { DEMO_SLOPE, demoPace } from './earlierLog';
import type { DemoRandom } from './random';

/** Gaps longer than this between two models are breaks the painter marked. */
const PAUSE_MINUTES = 1;

/** The order it was painted in (job ids), and what was tapped. */
export interface DemoHistory {
  order: string[];
  events: BenchEvent[];
}

/** What a history of the demo is made from. */
export interface DemoBench {
  commission: Commission;
  units: Unit[];
  paints: ReadonlyMap<string, Paint>;
  house: HouseRules;
  /** When the painter was at the bench, UTC ms. */
  sittings: { from: number; to: number }[];
  random: DemoRandom;
}

/**
 * Paints as the line plan says, at the demo painter's pace, for as long as the sittings last: the same timing that the
 * program plans with, so that drying, sessions and changeovers of the history are true.
 */
export function paintHistory({ commission, units, paints, house, sittings, random }: DemoBench): DemoHistory {
  const origin = sittings[0]!.from;
  const end = sittings.at(-1)!.to;
  const chances = new Map<string, number>();
  const roster: Roster = {
    units: units.map((unit) => ({ ...unit, commissionId: commission.id, commissionName: commission.name, standard: commission.standard })),
    paints,
    house,
    minutesOf: (unit, pass, { done, models }) => {
      const chance = chances.get(pass.key) ?? Math.exp(0.14 * random.normal());
      chances.set(pass.key, chance);
      const norm = normMinutes(pass.step.technique, unit.size, pass.step.coverage);
      return norm * meanShare(done, models, DEMO_SLOPE) * demoPace(pass.step.technique, 5) * chance;
    },
    doneModels: () => new Set(),
  };
  const built = buildLine(roster);
  const { order } = solveLine(compileLine(built.problem), { seed: 3, steps: 3000 });
  const minutesAt = (at: number) => (at - origin) / MINUTE_MS;
  const sessions: LineSession[] = [
    ...sittings.map(({ from, to }) => ({ from: minutesAt(from), to: minutesAt(to) })),
    { from: minutesAt(end) + 1, to: minutesAt(end) + 1_000_000 },
  ];
  const timed = timeOrder(compileLine({ ...built.problem, sessions }), order);
  if (!timed.fits) throw new Error('demo: the last session must hold what is left');
  const jobs = Array.from(order, (job) => built.jobs[job]!);
  return {
    order: jobs.map((job) => job.id),
    events: eventsOf(
      jobs,
      built,
      factsOf(roster),
      timed.cellEnds,
      origin,
      { lastFrom: minutesAt(sittings.at(-1)!.from), until: minutesAt(end) },
      random,
    ),
  };
}

function factsOf(roster: Roster): Map<string, WorkFacts> {
  const line = benchLine(roster, []);
  const units = new Map(line.units.map((unit) => [unit.id, unit]));
  return new Map(
    line.passes.map((pass) => [
      pass.key,
      factsOfPass(pass, pass.dips[0]!, units.get(pass.unitId)!, roster.paints.get(pass.dips[0]!.potId ?? '')?.name ?? null),
    ]),
  );
}

function eventsOf(
  jobs: JobInfo[],
  built: BuiltLine,
  facts: ReadonlyMap<string, WorkFacts>,
  cellEnds: Float64Array,
  origin: number,
  { lastFrom, until }: { lastFrom: number; until: number },
  random: DemoRandom,
): BenchEvent[] {
  const events: BenchEvent[] = [];
  const line = compileLine(built.problem);
  const index = new Map(built.jobs.map((job, at) => [job.id, at]));
  // The painter puts the brush down between two jobs, where the pass is finished and the next one takes another setup.
  const late = jobs.findIndex((job) => cellEnds[line.cellStart[index.get(job.id)! + 1]! - 1]! > until);
  let painted = late === -1 ? jobs.length : late;
  const goesOn = (last: JobInfo) =>
    jobs[painted]?.setupId === last.setupId || jobs.slice(painted).some((job) => job.passKey === last.passKey);
  while (painted > 1 && goesOn(jobs[painted - 1]!)) painted--;
  const lastEnd = painted === 0 ? until : cellEnds[line.cellStart[index.get(jobs[painted - 1]!.id)! + 1]! - 1]!;
  const add = (kind: BenchEvent['kind'], minute: number, job: JobInfo | null, model: number | null) => {
    // The last sitting is moved up, so that it ends when it should.
    const moved = minute >= lastFrom ? minute + until - lastEnd : minute;
    const at = origin + Math.round(moved * MINUTE_MS);
    const { step, coat } = job ? readCoatKey(job.passKey) : { step: null, coat: null };
    events.push({
      bench: null,
      id: random.id(at),
      kind,
      at: new Date(at).toISOString(),
      unit: job?.unitId ?? null,
      step,
      coat,
      models: model === null ? [] : [model],
      target: null,
      minutes: null,
      readyAt: null,
      fetchMinutes: null,
      facts: kind === 'started' ? facts.get(job!.passKey)! : null,
      note: '',
    });
  };
  for (const job of jobs.slice(0, painted)) {
    let last: number | null = null;
    for (const [offset, model] of job.models.entries()) {
      const done = cellEnds[line.cellStart[index.get(job.id)!]! + offset]!;
      const begin = done - job.minutes[offset]!;
      const isNextEvening = last !== null && begin - last > SITTING_GAP_MINUTES;
      if (isNextEvening) add('ended', last!, null, null);
      if (last === null || isNextEvening) add('started', begin, job, null);
      else if (begin - last > PAUSE_MINUTES) {
        add('paused', last, null, null);
        add('resumed', begin, null, null);
      }
      add('done', done, job, model);
      last = done;
    }
  }
  return events;
}
