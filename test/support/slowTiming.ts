import type { LineJob, LineProblem } from '../../src/core/line/definitions';

interface SlowTiming {
  total: number;
  finish: number;
  bench: number;
  handsOn: number;
  changeover: number;
  wait: number;
  touchUp: number;
  late: number;
  against: number;
  legCount: number;
  due: { id: string; end: number; at: number }[];
  jobs: { id: string; begin: number; end: number; prep: number; wait: number }[];
}

interface Copy {
  setup: string | null;
  end: number;
}

/**
 * The timing rules of the line problem, written down as the contract reads and with no thought of speed:
 * the oracle of the fast one. Null when the sessions do not hold the order.
 */
export function slowTiming(problem: LineProblem, order: readonly string[]): SlowTiming | null {
  const sessions = problem.sessions?.length ? problem.sessions : [{ from: 0, to: Infinity }];
  const jobs = new Map(problem.jobs.map((job) => [job.id, job]));
  const setupAt = new Map(problem.setups.map((setup, index) => [setup.id, index]));
  const copies = new Map(
    (problem.tools ?? []).map((tool) => [tool.id, Array.from({ length: tool.count }, (): Copy => ({ setup: null, end: 0 }))]),
  );
  const ends = new Map<string, number>();
  const endKey = (job: string, model: number) => `${job} ${model}`;
  let time = sessions[0]!.from;
  let session = 0;
  let held: string | null = null;
  let trayHeld: string | null = null;
  const sums = { handsOn: 0, changeover: 0, wait: 0 };
  const timed: SlowTiming['jobs'] = [];
  const earlier: LineJob[] = [];

  for (const id of order) {
    const job = jobs.get(id)!;
    const covered = coveredBy(problem, job);
    const record = { id, begin: NaN, end: NaN, prep: 0, wait: 0 };
    let copy: Copy | null = null;
    let copyFree = 0;
    const choose = () => {
      const setup = problem.setups[setupAt.get(job.setup)!]!;
      if (setup.tool === undefined) return;
      const tool = problem.tools!.find((each) => each.id === setup.tool)!;
      const owned = copies.get(tool.id)!;
      const same = owned.filter((each) => each.setup === job.setup).sort((a, b) => b.end - a.end)[0];
      const fresh = owned.find((each) => each.setup === null);
      const oldest = owned.reduce((best, each) => (each.end < best.end ? each : best));
      copy = same ?? fresh ?? oldest;
      copyFree = same || fresh ? 0 : oldest.end + tool.restMinutes;
    };
    choose();
    for (const [index, model] of covered.entries()) {
      const minutes = typeof job.minutesPerModel === 'number' ? job.minutesPerModel : job.minutesPerModel[index]!;
      const waits = job.after.flatMap((after) => {
        const other = jobs.get(after.job)!;
        const models = after.scope === 'model' ? coveredBy(problem, other).filter((each) => each === model) : coveredBy(problem, other);
        return models.map((each) => ends.get(endKey(other.id, each))! + (after.lagMinutes ?? other.dryMinutes));
      });
      const handling = earlier
        .filter((other) => other.tray === job.tray && coveredBy(problem, other).includes(model))
        .map((other) => ends.get(endKey(other.id, model))! + (other.handleMinutes ?? 0));
      for (;;) {
        const change: number =
          held === null ? problem.start[setupAt.get(job.setup)!]! : problem.changeover[setupAt.get(held)!]![setupAt.get(job.setup)!]!;
        const fetch = trayHeld === job.tray ? 0 : (problem.trays.find((each) => each.id === job.tray)!.fetchMinutes ?? 0);
        const prep = change + fetch;
        const begin = Math.max(time + prep, 0, copyFree, ...waits, ...handling);
        if (begin + minutes <= sessions[session]!.to + 1e-9) {
          sums.changeover += prep;
          sums.wait += begin - (time + prep);
          sums.handsOn += minutes;
          record.prep += prep;
          record.wait += begin - (time + prep);
          if (index === 0) record.begin = begin;
          time = begin + minutes;
          held = job.setup;
          trayHeld = job.tray;
          ends.set(endKey(id, model), time);
          if (copy) Object.assign(copy, { setup: job.setup, end: time });
          break;
        }
        session++;
        if (session === sessions.length) return null;
        time = sessions[session]!.from;
        held = null;
        trayHeld = null;
        choose();
      }
      // Under its own setup now, the copy is free at once.
      copyFree = 0;
    }
    record.end = time;
    timed.push(record);
    earlier.push(job);
  }
  const broken = (problem.prefer ?? []).filter((entry) => order.indexOf(entry.first) >= order.indexOf(entry.then));
  const sumOf = (wishes: boolean) => broken.filter(({ wish = false }) => wish === wishes).reduce((sum, entry) => sum + entry.minutes, 0);
  const touchUp = sumOf(false);
  const against = sumOf(true);
  const legCount = order.filter((id, place) => place === 0 || jobs.get(id)!.setup !== jobs.get(order[place - 1]!)!.setup).length;
  const due = (problem.due ?? []).map(({ id, jobs: its, at }) => ({
    id,
    at,
    end: Math.max(...its.map((each) => timed.find((record) => record.id === each)!.end)),
  }));
  const late = due.reduce((sum, { end, at }, index) => sum + problem.due![index]!.perMinuteLate * Math.max(0, end - at), 0);
  const span = time - sessions[0]!.from;
  const bench = sums.handsOn + sums.changeover + sums.wait + touchUp;
  const { weights } = problem;
  const weighed = weights ? weights.bench * bench + weights.span * span + weights.leg * legCount : span + touchUp;
  const total = weighed + late + against;
  return { ...sums, touchUp, late, against, legCount, due, total, finish: time, bench, jobs: timed };
}

function coveredBy(problem: LineProblem, job: LineJob): number[] {
  const tray = problem.trays.find((each) => each.id === job.tray)!;
  return job.models ?? Array.from({ length: tray.models }, (_, index) => index + 1);
}
