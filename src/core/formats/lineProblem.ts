import { array, lazy, mixed, object, type AnyObject, type ISchema } from 'yup';
import { LINE_PROBLEM_FORMATS, lineFormatOf, type LineDue, type LineJob, type LineProblem, type LineWish } from '../line/definitions';
import { compileLine } from '../line/problem/compileLine';
import type { CompiledLine } from '../line/problem/compiledLine';
import { enteredOrder } from '../line/problem/precedence';
import { arrangeByWishes } from '../line/problem/wishes';
import {
  atLeast,
  count,
  list,
  literal,
  LONGEST_MINUTES,
  minutes,
  oneOf,
  optionalList,
  optionalMinutes,
  parse,
  requiredText,
  textOrNull,
  yesOrNo,
} from './fields';
import { InputError } from '../kernel/InputError';

/** A problem is bounded by what it makes the program compute, whatever its length as text. */
export const MOST_JOBS = 20_000;
export const MOST_CELLS = 1_000_000;
const MOST_WAITS = 5_000_000;
const MOST_SETUPS = 2_000;
const MOST_PREFERENCES = 200_000;
const MOST_WISHES = 1_000;
const MOST_DATES = 1_000;

const lineId = () => requiredText('an id', 200);

const after = object({ job: lineId(), scope: oneOf(['model', 'tray']), lagMinutes: optionalMinutes() });

const job = object({
  id: lineId(),
  tray: lineId(),
  setup: lineId(),
  models: array(count(1)).strict(),
  minutesPerModel: mixed<number | number[]>().defined(),
  dryMinutes: minutes(),
  handleMinutes: optionalMinutes(),
  after: list(after, 100_000),
});

const ids = () => list(lineId(), MOST_JOBS, 1);
const WISHES = {
  pin: object({ kind: literal('pin'), jobs: ids(), after: textOrNull('the id of a job') }),
  together: object({ kind: literal('together'), jobs: ids() }),
  first: object({ kind: literal('first'), trays: ids(), weight: minutes() }),
  variety: object({
    kind: literal('variety'),
    groups: list(list(lineId(), 100_000, 1).required(), 10_000, 1),
    mostModels: count(1),
    minutes: minutes(),
  }),
  treat: object({ kind: literal('treat'), jobs: ids(), everyModels: count(1), minutes: minutes() }),
};
const wish = lazy((value: { kind?: keyof typeof WISHES } | null) => {
  const known = value !== null && Object.hasOwn(WISHES, value?.kind ?? '') ? WISHES[value.kind!] : undefined;
  return (known ?? object({ kind: oneOf(['pin', 'together', 'first', 'treat', 'variety']) })) as unknown as ISchema<LineWish, AnyObject>;
});

/** Wishes as a part of another format. */
export const lineWishes = () => list(wish as unknown as ISchema<LineWish, AnyObject>, MOST_WISHES);

/** Ten years of sessions, counted in minutes from the first. */
const MOST_SESSIONS = 100_000;
const LATEST_MINUTE = 100_000_000;
const moment = () => atLeast(0, `a minute from 0 to ${LATEST_MINUTE}`).max(LATEST_MINUTE);

const schema = object({
  format: oneOf(LINE_PROBLEM_FORMATS),
  trays: list(object({ id: lineId(), models: count(1, 100_000), fetchMinutes: optionalMinutes() }), 100_000),
  tools: optionalList(object({ id: lineId(), count: count(1, 10_000), restMinutes: minutes() }), MOST_SETUPS),
  setups: list(object({ id: lineId(), tool: requiredText('the id of a tool').optional() }), MOST_SETUPS),
  start: mixed<number[]>().defined(),
  changeover: mixed<number[][]>().defined(),
  jobs: list(job, MOST_JOBS),
  prefer: optionalList(object({ first: lineId(), then: lineId(), minutes: minutes(), wish: yesOrNo().optional() }), MOST_PREFERENCES),
  sessions: array(object({ from: moment(), to: moment() }))
    .strict()
    .max(MOST_SESSIONS),
  due: optionalList(object({ id: lineId(), jobs: ids(), at: moment(), perMinuteLate: minutes() }), MOST_DATES),
  weights: object({ bench: minutes(), span: minutes(), leg: minutes() }).optional().default(undefined),
  wishes: optionalList(wish as never, MOST_WISHES),
});

/**
 * Reads a line problem that came from outside, of any version. An empty optional list means the same as leaving it out.
 * Throws an `InputError` that names the first field that cannot be taken; nothing is guessed.
 */
export function readLineProblem(value: unknown): LineProblem {
  const problem = ofItsVersion(parse(schema, value) as LineProblem);
  const ids = {
    trays: uniqueIds('trays', problem.trays),
    tools: uniqueIds('tools', problem.tools ?? []),
    setups: uniqueIds('setups', problem.setups),
    jobs: uniqueIds('jobs', problem.jobs),
  };
  problem.setups.forEach((setup, i) => setup.tool !== undefined && known(ids.tools, `setups[${i}].tool`, setup.tool));
  checkNumbers('start', problem.start, problem.setups.length, 'set-up');
  checkMatrix(problem.changeover, problem.setups.length);
  const jobs = new Map(problem.jobs.map((entry) => [entry.id, entry]));
  const trayModels = new Map(problem.trays.map((tray) => [tray.id, tray.models]));
  checkSize(problem, trayModels);
  problem.jobs.forEach((entry, i) => {
    known(ids.trays, `jobs[${i}].tray`, entry.tray);
    known(ids.setups, `jobs[${i}].setup`, entry.setup);
    checkModels(entry, trayModels.get(entry.tray)!, `jobs[${i}]`);
    checkAfter(entry, jobs, `jobs[${i}]`);
  });
  problem.prefer?.forEach((entry, i) => {
    known(ids.jobs, `prefer[${i}].first`, entry.first);
    known(ids.jobs, `prefer[${i}].then`, entry.then);
  });
  uniqueIds('due', problem.due ?? []);
  problem.due?.forEach((entry, i) => checkDue(entry, ids.jobs, `due[${i}]`));
  checkSessions(problem);
  checkNoCycle(problem);
  checkWishes(problem, ids);
  return problem;
}

/** What stands under the names of a later version means nothing in an earlier one. */
function ofItsVersion(problem: LineProblem): LineProblem {
  if (problem.format === LINE_PROBLEM_FORMATS[2]) return { ...problem, format: lineFormatOf(problem) };
  const { weights: _weights, ...second } = problem;
  if (second.prefer) second.prefer = second.prefer.map(({ wish: _wish, ...entry }) => entry);
  if (problem.format === LINE_PROBLEM_FORMATS[1]) return { ...second, format: lineFormatOf(second) };
  const { due: _due, ...first } = second;
  return { ...first, trays: problem.trays.map(({ id, models }) => ({ id, models })) };
}

function checkDue({ jobs }: LineDue, known: Set<string>, field: string): void {
  const named = new Set<string>();
  jobs.forEach((id, index) => {
    if (!known.has(id)) throw new InputError(`${field}.jobs[${index}]`, id, 'name one that the problem lists');
    if (named.has(id)) throw new InputError(`${field}.jobs[${index}]`, id, 'name each job of a date once');
    named.add(id);
  });
}

/** Checks the wishes of a problem that is good without them. Throws an `InputError`. */
export function checkWishes(
  problem: LineProblem,
  ids = { jobs: uniqueIds('jobs', problem.jobs), trays: uniqueIds('trays', problem.trays) },
): void {
  const wishes = problem.wishes ?? [];
  let free: CompiledLine | null = null;
  const contradict = (some: LineWish[]) => {
    free ??= compileLine({ ...problem, wishes: [] });
    return arrangeByWishes(compileLine({ ...problem, wishes: some }, free)) === null;
  };
  const taken = { bound: new Set<string>(), behind: new Set<string | null>(), first: new Set<string>() };
  const once = (set: Set<string | null>, field: string, id: string | null, remedy: string) => {
    if (set.has(id)) throw new InputError(field, id, remedy);
    set.add(id);
  };
  wishes.forEach((entry, i) => {
    const field = `wishes[${i}]`;
    if (entry.kind === 'first') {
      entry.trays.forEach((tray, t) => {
        known(ids.trays, `${field}.trays[${t}]`, tray);
        once(taken.first, `${field}.trays[${t}]`, tray, 'name each tray in one such wish only');
      });
      return;
    }
    if (entry.kind === 'variety') {
      entry.groups.forEach((group, g) => group.forEach((tray, t) => known(ids.trays, `${field}.groups[${g}][${t}]`, tray)));
      return;
    }
    entry.jobs.forEach((id, j) => {
      known(ids.jobs, `${field}.jobs[${j}]`, id);
      if (entry.kind !== 'treat') once(taken.bound, `${field}.jobs[${j}]`, id, 'pin or keep each job together in one wish only');
    });
    if (entry.kind !== 'pin') return;
    if (entry.after !== null) known(ids.jobs, `${field}.after`, entry.after);
    once(taken.behind, `${field}.after`, entry.after, 'let only one pin stand directly behind a job, or at the start');
    if (contradict(wishes.slice(0, i + 1))) contradicts(field, entry);
  });
  const last = wishes.findLastIndex((entry) => entry.kind === 'together' || entry.kind === 'pin');
  if (last >= 0 && contradict(wishes)) contradicts(`wishes[${last}]`, wishes[last]!);
}

function checkSize({ jobs }: LineProblem, trayModels: ReadonlyMap<string, number>): void {
  const covered = jobs.map((job) => job.models?.length ?? trayModels.get(job.tray) ?? 0);
  const cells = covered.reduce((sum, models) => sum + models, 0);
  if (cells > MOST_CELLS)
    throw new InputError('jobs', cells, `let them cover at most ${MOST_CELLS} models together, each counted for every job on it`);
  const waits = jobs.reduce((sum, job, index) => sum + job.after.length * covered[index]!, 0);
  if (waits > MOST_WAITS)
    throw new InputError('jobs', waits, `let their models wait for at most ${MOST_WAITS} entries of "after" together`);
}

function contradicts(field: string, wish: LineWish): never {
  throw new InputError(field, wish, 'leave it out: what the jobs wait for, or another wish, does not let them stand so');
}

function uniqueIds(field: string, items: readonly { id: string }[]): Set<string> {
  const ids = new Set<string>();
  items.forEach((item, index) => {
    if (ids.has(item.id)) throw new InputError(`${field}[${index}].id`, item.id, 'give every entry an id of its own');
    ids.add(item.id);
  });
  return ids;
}

function known(ids: Set<string>, field: string, id: string): void {
  if (!ids.has(id)) throw new InputError(field, id, 'name one that the problem lists');
}

const isMinutes = (value: unknown): value is number => typeof value === 'number' && value >= 0 && value <= LONGEST_MINUTES;
const A_TIME = `give a number of minutes from 0 to ${LONGEST_MINUTES}`;

function checkNumbers(field: string, values: unknown, length: number, per: string): void {
  if (!Array.isArray(values) || values.length !== length)
    throw new InputError(field, values, `give a list with one number for each ${per} (${length})`);
  values.forEach((value, index) => {
    if (!isMinutes(value)) throw new InputError(`${field}[${index}]`, value, A_TIME);
  });
}

function checkMatrix(rows: unknown, size: number): void {
  if (!Array.isArray(rows) || rows.length !== size)
    throw new InputError('changeover', rows, `give a list with one row for each set-up (${size})`);
  rows.forEach((row: unknown, index) => {
    checkNumbers(`changeover[${index}]`, row, size, 'set-up');
    const own = (row as number[])[index];
    if (own !== 0) throw new InputError(`changeover[${index}][${index}]`, own, 'give 0: keeping a set-up costs nothing');
  });
}

function checkModels(entry: LineJob, trayModels: number, field: string): void {
  if (entry.models?.length === 0)
    throw new InputError(`${field}.models`, entry.models, 'list at least one model, or leave it out for all of them');
  entry.models?.forEach((model, index) => {
    if (model > trayModels)
      throw new InputError(
        `${field}.models[${index}]`,
        model,
        `give a position from 1 to ${trayModels}, the models of tray "${entry.tray}"`,
      );
    if (index > 0 && model <= entry.models![index - 1]!)
      throw new InputError(`${field}.models[${index}]`, model, 'list the positions in ascending order, each once');
  });
  const covered = entry.models?.length ?? trayModels;
  if (typeof entry.minutesPerModel === 'number') {
    if (!isMinutes(entry.minutesPerModel)) throw new InputError(`${field}.minutesPerModel`, entry.minutesPerModel, A_TIME);
  } else checkNumbers(`${field}.minutesPerModel`, entry.minutesPerModel, covered, 'covered model');
}

function checkAfter(entry: LineJob, jobs: Map<string, LineJob>, field: string): void {
  entry.after.forEach((after, index) => {
    const other = jobs.get(after.job);
    if (!other) throw new InputError(`${field}.after[${index}].job`, after.job, 'name one that the problem lists');
    if (after.scope === 'model' && other.tray !== entry.tray) {
      throw new InputError(`${field}.after[${index}].scope`, after.scope, `use "tray": job "${other.id}" is on another tray`);
    }
  });
}

function checkSessions({ sessions = [] }: LineProblem): void {
  sessions.forEach((session, index) => {
    if (session.to <= session.from)
      throw new InputError(`sessions[${index}].to`, session.to, `give an end after its start (${session.from})`);
    const before = sessions[index - 1];
    if (before && session.from < before.to)
      throw new InputError(
        `sessions[${index}].from`,
        session.from,
        `sort the sessions and let none begin before the last one ended (${before.to})`,
      );
  });
}

function checkNoCycle(problem: LineProblem): void {
  const placed = new Set(enteredOrder(compileLine({ ...problem, wishes: [] })));
  const stuck = problem.jobs.findIndex((_, index) => !placed.has(index));
  if (stuck < 0) return;
  const cycle = cycleFrom(problem, stuck, placed);
  throw new InputError(`jobs[${stuck}].after`, cycle, 'break the circle: these jobs each wait for the next');
}

/** Follows predecessors that cannot be placed until one comes round again. */
function cycleFrom(problem: LineProblem, stuck: number, placed: Set<number>): string[] {
  const index = new Map(problem.jobs.map((entry, i) => [entry.id, i]));
  const walked: number[] = [];
  let at = stuck;
  while (!walked.includes(at)) {
    walked.push(at);
    at = problem.jobs[at]!.after.map((after) => index.get(after.job)!).find((other) => !placed.has(other))!;
  }
  return walked.slice(walked.indexOf(at)).map((i) => problem.jobs[i]!.id);
}
