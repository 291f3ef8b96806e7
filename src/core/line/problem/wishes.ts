import type { CompiledLine, CompiledWishes } from './compiledLine';
import type { LineProblem, LineWish } from '../definitions';
import { enteredOrder } from './precedence';

/** In `behind`: the job stands anywhere, or at the start of the line. */
const ANYWHERE = -1;
const AT_START = -2;

export function compileWishes(problem: LineProblem, jobOf: (id: string) => number, jobTray: Int32Array): CompiledWishes {
  const wishes = problem.wishes ?? [];
  const behind = new Int32Array(problem.jobs.length).fill(ANYWHERE);
  const together = new Int32Array(problem.jobs.length).fill(-1);
  const of = <K extends LineWish['kind']>(kind: K) => wishes.filter((wish): wish is Extract<LineWish, { kind: K }> => wish.kind === kind);
  for (const { jobs, after } of of('pin')) {
    let before = after === null ? AT_START : jobOf(after);
    for (const job of jobs.map(jobOf)) {
      behind[job] = before;
      before = job;
    }
  }
  of('together').forEach(({ jobs }, number) => jobs.forEach((id) => (together[jobOf(id)] = number)));
  const trayIndex = new Map(problem.trays.map((tray, index) => [tray.id, index]));
  const first = of('first').map(({ trays, weight }) => {
    const named = new Set(trays.map((id) => trayIndex.get(id)));
    return { jobs: Int32Array.from(jobTray.keys()).filter((job) => named.has(jobTray[job]!)), weight };
  });
  const treats = of('treat').map(({ jobs, everyModels, minutes }) => {
    const isTreat = new Uint8Array(problem.jobs.length);
    jobs.forEach((id) => (isTreat[jobOf(id)] = 1));
    return { isTreat, everyModels, minutes };
  });
  const varieties = of('variety').map(({ groups, mostModels, minutes }) => {
    const groupOf = new Int32Array(problem.jobs.length).fill(-1);
    groups.forEach((trays, group) => {
      const named = new Set(trays.map((id) => trayIndex.get(id)));
      jobTray.forEach((tray, job) => named.has(tray) && (groupOf[job] = group));
    });
    return { groupOf, mostModels, minutes };
  });
  const bind = wishes.some(({ kind }) => kind === 'pin' || kind === 'together');
  return { behind, together, first, treats, varieties, bind, cost: first.length + treats.length + varieties.length > 0 };
}

/** Must the jobs at a place and before it stay neighbours? `inside` allows to part jobs that only stand together. */
export function isBoundAt({ wishes }: CompiledLine, order: ArrayLike<number>, place: number, inside = false): boolean {
  if (!wishes.bind || place >= order.length) return false;
  const job = order[place]!;
  if (place === 0) return wishes.behind[job] === AT_START;
  const before = order[place - 1]!;
  if (wishes.behind[job] === before) return true;
  return !inside && wishes.together[job]! >= 0 && wishes.together[job] === wishes.together[before];
}

/** Minutes that the wishes add for the painter's sake; `jobAt` gives the order, `endOf` each job's end. */
export function wishMinutes(line: CompiledLine, jobAt: (place: number) => number, endOf: (job: number) => number): number {
  let sum = 0;
  for (const { jobs, weight } of line.wishes.first) {
    let end = line.sessionFrom[0]!;
    for (const job of jobs) end = Math.max(end, endOf(job));
    sum += weight * (end - line.sessionFrom[0]!);
  }
  for (const { isTreat, everyModels, minutes } of line.wishes.treats) {
    let models = 0;
    for (let place = 0; place < line.jobCount; place++) {
      const job = jobAt(place);
      if (isTreat[job]) {
        sum += minutes * Math.max(0, models - everyModels);
        models = 0;
      } else models += line.cellStart[job + 1]! - line.cellStart[job]!;
    }
  }
  for (const { groupOf, mostModels, minutes } of line.wishes.varieties) {
    let group = -1;
    let models = 0;
    for (let place = 0; place < line.jobCount; place++) {
      const job = jobAt(place);
      const before = models;
      models = (groupOf[job] === group && group >= 0 ? models : 0) + line.cellStart[job + 1]! - line.cellStart[job]!;
      const counted = groupOf[job] === group && group >= 0 ? Math.max(0, before - mostModels) : 0;
      group = groupOf[job]!;
      if (group >= 0) sum += minutes * (Math.max(0, models - mostModels) - counted);
    }
  }
  return sum;
}

/**
 * The order nearest to the given one that keeps pins and jobs together: jobs that must be neighbours move as one.
 * Null when predecessors do not let them stand so.
 */
export function arrangeByWishes(line: CompiledLine, order: ArrayLike<number> = enteredOrder(line)): Int32Array | null {
  if (!line.wishes.bind) return Int32Array.from(order);
  const rank = new Int32Array(line.jobCount);
  for (let place = 0; place < order.length; place++) rank[order[place]!] = place;
  const blocks = blocksOf(line, order);
  const blockOf = new Int32Array(line.jobCount);
  blocks.forEach((jobs, block) => jobs.forEach((job) => (blockOf[job] = block)));
  const held: number[][] = blocks.map(() => []);
  const blockers = blocks.map((jobs, block) => {
    const before = new Set(jobs.flatMap((job) => Array.from(line.predecessors[job]!, (other) => blockOf[other]!)));
    before.delete(block);
    before.forEach((other) => held[other]!.push(block));
    return before.size;
  });
  const place = blocks.map(([first]) => (line.wishes.behind[first!] === AT_START ? -1 : rank[first!]!));
  const arranged: number[] = [];
  const free = new Set([...blocks.keys()].filter((block) => blockers[block] === 0));
  while (free.size > 0) {
    let next = -1;
    for (const block of free) if (next < 0 || place[block]! < place[next]!) next = block;
    free.delete(next);
    arranged.push(...blocks[next]!);
    for (const block of held[next]!) if (--blockers[block]! === 0) free.add(block);
  }
  const result = Int32Array.from(arranged);
  return keepsOrder(line, result) && pinsKept(line, result) ? result : null;
}

/** Jobs that move as one, in the order they keep among themselves. */
function blocksOf(line: CompiledLine, order: ArrayLike<number>): number[][] {
  const { behind, together } = line.wishes;
  const follower = new Map<number, number>();
  behind.forEach((before, job) => before >= 0 && follower.set(before, job));
  const chain = (head: number) => {
    const jobs = [head];
    for (let next = follower.get(head); next !== undefined && !jobs.includes(next); next = follower.get(next)) jobs.push(next);
    return jobs;
  };
  const blocks: number[][] = [];
  const blockOfGroup = new Map<number, number[]>();
  for (let place = 0; place < order.length; place++) {
    const job = order[place]!;
    if (behind[job]! >= 0) continue;
    const group = together[job]!;
    const known = group < 0 ? undefined : blockOfGroup.get(group);
    if (known) known.push(...chain(job));
    else {
      const block = chain(job);
      blocks.push(block);
      if (group >= 0) blockOfGroup.set(group, block);
    }
  }
  return blocks;
}

function keepsOrder(line: CompiledLine, order: Int32Array): boolean {
  const placed = new Uint8Array(line.jobCount);
  for (const job of order) {
    if (!line.predecessors[job]!.every((other) => placed[other])) return false;
    placed[job] = 1;
  }
  return order.length === line.jobCount;
}

function pinsKept(line: CompiledLine, order: Int32Array): boolean {
  const { behind, together } = line.wishes;
  const groupEnd = new Map<number, number>();
  for (let place = 0; place < order.length; place++) {
    const job = order[place]!;
    if (behind[job] === AT_START && place !== 0) return false;
    if (behind[job]! >= 0 && order[place - 1] !== behind[job]) return false;
    const group = together[job]!;
    if (group < 0) continue;
    if (groupEnd.has(group) && groupEnd.get(group) !== place - 1) return false;
    groupEnd.set(group, place);
  }
  return true;
}

/** For each wish of the problem: does the order keep it? A wish for `first` is a weight and never broken. */
export function wishesKept(line: CompiledLine, order: ArrayLike<number>): boolean[] {
  const ids = Array.from(order, (job) => line.problem.jobs[job]!.id);
  const place = new Map(ids.map((id, index) => [id, index]));
  return (line.problem.wishes ?? []).map((wish) => {
    if (wish.kind === 'first') return true;
    if (wish.kind === 'treat' || wish.kind === 'variety') {
      const alone = { ...line, wishes: compileWishes({ ...line.problem, wishes: [wish] }, (id) => order[place.get(id)!]!, line.jobTray) };
      return (
        wishMinutes(
          alone,
          (at) => order[at]!,
          () => 0,
        ) === 0
      );
    }
    const places = wish.jobs.map((id) => place.get(id)!);
    if (wish.kind === 'together') return Math.max(...places) - Math.min(...places) === places.length - 1;
    const start = wish.after === null ? 0 : place.get(wish.after)! + 1;
    return places.every((at, index) => at === start + index);
  });
}
