import type { LineJob, LineProblem } from '../definitions';
import { inOneShape, type CompiledDue, type CompiledLine, type Objective } from './compiledLine';
import { compileWishes } from './wishes';

/** The 1-based tray positions a job covers. */
export function coveredModels(job: LineJob, trayModels: number): number[] {
  return job.models ?? Array.from({ length: trayModels }, (_, index) => index + 1);
}

const indexById = (items: readonly { id: string }[]) => new Map(items.map((item, index) => [item.id, index]));

/** Without weights, what counts is when the last model is finished, and what has to be painted again. */
const TO_THE_END = { bench: 0, span: 1, leg: 0 };

/** What has to be painted again is work at the bench, where that is weighed. */
function objectiveOf({ weights }: LineProblem): Objective {
  const { bench, span, leg } = weights ?? TO_THE_END;
  return { bench, touchUp: weights ? bench : 1, span, leg };
}

/** What of a line depends on neither sessions nor dates, weights nor wishes. */
type CompiledWork = Omit<CompiledLine, 'problem' | 'sessionFrom' | 'sessionTo' | 'due' | 'wishes' | 'objective' | 'preferCost'>;
const WORK_OF = ['jobs', 'trays', 'setups', 'start', 'changeover', 'tools', 'prefer'] as const;

/**
 * Turns a problem that `readLineProblem` has accepted into flat arrays; ids that do not resolve throw. With a line of the very same jobs
 * and set-ups that is `known`, other sessions, dates, weights or wishes cost next to nothing. A problem must not be changed once it was
 * compiled.
 */
export function compileLine(problem: LineProblem, known: CompiledLine | null = null): CompiledLine {
  const isOfSameWork = known !== null && WORK_OF.every((field) => known.problem[field] === problem[field]);
  const work: CompiledWork = isOfSameWork ? known : compileWork(problem);
  const sessions = problem.sessions?.length ? problem.sessions : [{ from: 0, to: Infinity }];
  const jobIndex = indexById(problem.jobs);
  const objective = objectiveOf(problem);
  return inOneShape({
    ...work,
    problem,
    objective,
    preferCost: work.preferMinutes.map((minutes, entry) => (work.preferIsWish[entry] ? minutes : objective.touchUp * minutes)),
    sessionFrom: Float64Array.from(sessions, (session) => session.from),
    sessionTo: Float64Array.from(sessions, (session) => session.to),
    due: compileDue(problem, (id) => jobIndex.get(id)!),
    wishes: compileWishes(problem, (id) => jobIndex.get(id)!, work.jobTray),
  });
}

function compileDue({ due = [], jobs }: LineProblem, jobOf: (id: string) => number): CompiledDue {
  const compiled = due.map((each) => Int32Array.from(each.jobs, jobOf));
  const has = new Uint8Array(due.length * jobs.length);
  const ofJob: number[][] = jobs.map(() => []);
  compiled.forEach((its, index) =>
    its.forEach((job) => {
      has[index * jobs.length + job] = 1;
      ofJob[job]!.push(index);
    }),
  );
  return {
    count: due.length,
    at: Float64Array.from(due, ({ at }) => at),
    perMinuteLate: Float64Array.from(due, ({ perMinuteLate }) => perMinuteLate),
    jobs: compiled,
    has,
    ofJob: ofJob.map((list) => Int32Array.from(list)),
  };
}

function compileWork(problem: LineProblem): CompiledWork {
  const lookup = (map: Map<string, number>, kind: string, id: string) => {
    const index = map.get(id);
    if (index === undefined) throw new Error(`compileLine: ${kind} "${id}" is not in the problem`);
    return index;
  };
  const trayIndex = indexById(problem.trays);
  const setupIndex = indexById(problem.setups);
  const toolIndex = indexById(problem.tools ?? []);
  const jobIndex = indexById(problem.jobs);
  const { jobs, trays } = problem;

  const trayOffset: number[] = [];
  let modelCount = 0;
  for (const tray of trays) {
    trayOffset.push(modelCount);
    modelCount += tray.models;
  }

  const jobTray = Int32Array.from(jobs, (job) => lookup(trayIndex, 'tray', job.tray));
  const trayJobs: number[][] = trays.map(() => []);
  jobTray.forEach((tray, job) => trayJobs[tray]!.push(job));
  const covered = jobs.map((job, j) => coveredModels(job, trays[jobTray[j]!]!.models));
  const cellStart = new Int32Array(jobs.length + 1);
  covered.forEach((models, j) => (cellStart[j + 1] = cellStart[j]! + models.length));
  const cellMinutes = new Float64Array(cellStart[jobs.length]!);
  const cellSum = new Float64Array(cellStart[jobs.length]!);
  const cellModel = new Int32Array(cellStart[jobs.length]!);
  const jobMinutes = new Float64Array(jobs.length);
  jobs.forEach((job, j) =>
    covered[j]!.forEach((model, i) => {
      const cell = cellStart[j]! + i;
      const minutes = job.minutesPerModel;
      cellMinutes[cell] = typeof minutes === 'number' ? minutes : minutes[i]!;
      cellSum[cell] = jobMinutes[j] = jobMinutes[j]! + cellMinutes[cell]!;
      cellModel[cell] = trayOffset[jobTray[j]!]! + model - 1;
    }),
  );

  const edgeStart = new Int32Array(jobs.length + 1);
  const edgeJob: number[] = [];
  const edgeLag: number[] = [];
  const edgeWholeTray: number[] = [];
  const edgeCellStart: number[] = [];
  const edgeCell: number[] = [];
  const jobLongestLag = Float64Array.from(jobs, (job) => job.handleMinutes ?? 0);
  const successors: number[][] = jobs.map(() => []);
  jobs.forEach((job, j) => {
    for (const after of job.after) {
      const other = lookup(jobIndex, 'job', after.job);
      edgeJob.push(other);
      const lag = after.lagMinutes ?? jobs[other]!.dryMinutes;
      edgeLag.push(lag);
      jobLongestLag[other] = Math.max(jobLongestLag[other]!, lag);
      edgeWholeTray.push(after.scope === 'tray' ? 1 : 0);
      edgeCellStart.push(edgeCell.length);
      if (after.scope === 'model') {
        const cellOfModel = new Map(covered[other]!.map((model, i) => [model, cellStart[other]! + i]));
        for (const model of covered[j]!) edgeCell.push(cellOfModel.get(model) ?? -1);
      }
      successors[other]!.push(j);
    }
    edgeStart[j + 1] = edgeJob.length;
  });

  const prefer = problem.prefer ?? [];
  const tools = problem.tools ?? [];
  const work: CompiledWork = {
    jobCount: jobs.length,
    setupCount: problem.setups.length,
    cellStart,
    cellMinutes,
    cellSum,
    jobMinutes,
    cellModel,
    modelCount,
    jobSetup: Int32Array.from(jobs, (job) => lookup(setupIndex, 'setup', job.setup)),
    jobTray,
    jobHandle: Float64Array.from(jobs, (job) => job.handleMinutes ?? 0),
    trayJobs: trayJobs.map((list) => Int32Array.from(list)),
    trayFetch: Float64Array.from(trays, ({ fetchMinutes }) => fetchMinutes ?? 0),
    fetches: trays.some(({ fetchMinutes = 0 }) => fetchMinutes > 0),
    trayHandles: Uint8Array.from(trayJobs, (list) => (list.some((job) => jobs[job]!.handleMinutes) ? 1 : 0)),
    jobLongestLag,
    edgeStart,
    edgeJob: Int32Array.from(edgeJob),
    edgeLag: Float64Array.from(edgeLag),
    edgeWholeTray: Uint8Array.from(edgeWholeTray),
    edgeCell: Int32Array.from(edgeCell),
    edgeCellStart: Int32Array.from(edgeCellStart),
    edgeLead: new Float64Array(edgeJob.length),
    edgeLeadsAtFirst: new Uint8Array(edgeJob.length),
    successors: successors.map((list) => Int32Array.from(new Set(list))),
    predecessors: jobs.map((job) => Int32Array.from(new Set(job.after.map((after) => jobIndex.get(after.job)!)))),
    start: Float64Array.from(problem.start),
    changeover: Float64Array.from(problem.changeover.flat()),
    setupTool: Int32Array.from(problem.setups, (setup) => (setup.tool === undefined ? -1 : lookup(toolIndex, 'tool', setup.tool))),
    toolCopies: Int32Array.from(tools, (tool) => tool.count),
    toolRest: Float64Array.from(tools, (tool) => tool.restMinutes),
    preferFirst: Int32Array.from(prefer, (entry) => lookup(jobIndex, 'job', entry.first)),
    preferThen: Int32Array.from(prefer, (entry) => lookup(jobIndex, 'job', entry.then)),
    preferMinutes: Float64Array.from(prefer, (entry) => entry.minutes),
    preferIsWish: Uint8Array.from(prefer, (entry) => (entry.wish ? 1 : 0)),
  };
  setLeads(work);
  return work;
}

/** Works out from the minutes of the cells how far each job must stay behind those it waits for, model by model. */
export function setLeads(line: CompiledWork): void {
  const { cellStart, cellSum, edgeStart, edgeCell, edgeCellStart, edgeLead, edgeLeadsAtFirst } = line;
  for (let job = 0; job < line.jobCount; job++) {
    const first = cellStart[job]!;
    for (let edge = edgeStart[job]!; edge < edgeStart[job + 1]!; edge++) {
      edgeLead[edge] = -Infinity;
      edgeLeadsAtFirst[edge] = 0;
      if (line.edgeWholeTray[edge]) continue;
      for (let cell = first; cell < cellStart[job + 1]!; cell++) {
        const other = edgeCell[edgeCellStart[edge]! + cell - first]!;
        if (other < 0) continue;
        const ahead = cellSum[other]! - (cell === first ? 0 : cellSum[cell - 1]!);
        if (ahead <= edgeLead[edge]!) continue;
        edgeLead[edge] = ahead;
        edgeLeadsAtFirst[edge] = cell === first ? 1 : 0;
      }
    }
  }
}
