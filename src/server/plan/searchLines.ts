import { createHash } from 'node:crypto';
import { carryOver } from '../../core/line/hand/carryOver';
import { compileLine } from '../../core/line/problem/compileLine';
import { OrderJudge } from '../../core/line/search/OrderJudge';
import type { LineProblem } from '../../core/line/definitions';
import { localDay } from '../../core/kernel/localDay';
import type { Selection } from '../../core/plan/selection';
import { approved, isWaiting } from '../../core/scheme/model/definitions';
import { memoKey } from '../running/Memory';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, currentSelection } from '../workshop/choice';
import { commissionDates } from '../workshop/commissionDates';
import { datedLine } from '../workshop/datedLine';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { solveInThread } from '../work/threads';
import { linesAhead } from './linesAhead';
import { keepOrder, lineKey, suggestedOrder, type PlannedLine } from './suggestedOrder';

const SEED = 1;
/** A line of a hundred jobs comes within a thousandth of what five times as many moves find; it takes less than half a second. */
const STEPS = 20_000;
/** Longer lines take longer for each move, and get fewer. */
const JOB_STEPS = 2_000_000;
/** However slow the machine is: what was found until then is kept. */
const MOST_MS = 20_000;
/** An order must be better by so many minutes, wishes counted, to take the place of the one that is known. */
const WORTH_MINUTES = 0.05;

/** Lines whose search broke off, with what it was for: they are not tried again until something changes. */
const FAILED = memoKey<Map<string, string>>('searches that broke off');

interface SearchedLine {
  selection: Selection;
  units: WorkUnit[];
}

/** A line as it is, and as it will be once the test models of it are approved. */
function linesOf(workshop: Workshop, selection: Selection): SearchedLine[] {
  const units = chosenUnits(workshop, selection);
  const line = { selection, units: units.map(approved) };
  return units.some(isWaiting) ? [{ selection, units }, line] : [line];
}

/** The line that is being arranged, then all that is not on the bench. */
async function linesToSearch(stores: Stores, workshop: Workshop, isOnlyChosen: boolean): Promise<SearchedLine[]> {
  const chosen = linesOf(workshop, await currentSelection(stores, workshop));
  if (isOnlyChosen) return chosen;
  const ahead = (await linesAhead(stores, workshop)).filter(({ isBench }) => !isBench);
  return [...chosen, ...ahead.flatMap(({ selection }) => linesOf(workshop, selection))];
}

/** Will a better order for a line be sought, so that what is suggested may change? */
export async function isToBeSearched(stores: Stores, workshop: Workshop, line: PlannedLine, now: Date): Promise<boolean> {
  const key = lineKey(line);
  const same = (await linesToSearch(stores, workshop, false)).find((each) => lineKey(each) === key);
  return same !== undefined && isOpen(stores, workshop, same, now);
}

async function isOpen(stores: Stores, workshop: Workshop, line: SearchedLine, now: Date): Promise<boolean> {
  const { jobs } = (await lineLeft(workshop, line.units)).problem;
  if (jobs.length === 0) return false;
  const key = lineKey(line);
  const subject = subjectOf(workshop, line.units, now);
  if (stores.memory.get(FAILED)?.get(key) === subject) return false;
  return (await stores.workshop.foundOrder(key))?.foundFor !== subject;
}

interface SearchOptions {
  /** Of the line being arranged and no other. */
  isOnlyChosen: boolean;
  /** Does its write when it may. */
  save: (write: () => Promise<void>) => Promise<void>;
  /** Ends it between two lines. */
  isStopped: () => boolean;
}

/**
 * Seeks the orders that are suggested: of the line being arranged and of all that is not on the bench, each once for what it is made
 * of, by so many moves and not by so long.
 */
export async function searchLines(
  stores: Stores,
  workshop: Workshop,
  now: Date,
  { isOnlyChosen, save, isStopped }: SearchOptions,
): Promise<void> {
  for (const line of await linesToSearch(stores, workshop, isOnlyChosen)) {
    if (isStopped()) return;
    if (await isOpen(stores, workshop, line, now)) await searchLine(stores, workshop, line, now, save);
  }
}

async function searchLine(
  stores: Stores,
  workshop: Workshop,
  line: SearchedLine,
  now: Date,
  save: (write: () => Promise<void>) => Promise<void>,
): Promise<void> {
  const { selection, units } = line;
  const subject = subjectOf(workshop, units, now);
  try {
    const built = await lineLeft(workshop, units);
    const known = await suggestedOrder(stores, workshop, line, built, now);
    await letOthersIn();
    const problem = (await datedLine(workshop, built, now))?.problem ?? built.problem;
    const own = [await stores.workshop.bench(), await stores.workshop.ownLine(selection)].flatMap((order) =>
      order ? [carryOver(problem, { order: order.order, wishes: [] }).order] : [],
    );
    const order = await better(problem, known, own);
    await save(() => keepOrder(stores, line, { order, foundFor: subject }));
  } catch (error) {
    const failed = stores.memory.once(FAILED, () => new Map<string, string>());
    failed.set(lineKey(line), subject);
    throw error;
  }
}

/** The best order that a search finds, beginning with the best of those given (job ids); the known one where that is as good. */
async function better(problem: LineProblem, known: string[], others: string[][]): Promise<string[]> {
  const indexes = new Map(problem.jobs.map(({ id }, index) => [id, index]));
  const judge = new OrderJudge(compileLine(problem));
  const indexesOf = (order: readonly string[]) => order.map((id) => indexes.get(id)!);
  const costOf = (order: readonly string[]) => judge.take(indexesOf(order));
  const steps = Math.min(STEPS, Math.floor(JOB_STEPS / known.length));
  const start = indexesOf([known, ...others].reduce((best, other) => (costOf(other) < costOf(best) ? other : best)));
  const { order, cost } = await solveInThread({ problem, seed: SEED, steps, milliseconds: MOST_MS, start, seeksProof: false });
  return costOf(known) - cost > WORTH_MINUTES ? Array.from(order, (job) => problem.jobs[job]!.id) : known;
}

/**
 * What decides which order is best, but for what is painted meanwhile and what the log teaches: an order is carried over to those. The
 * day counts, as dates come nearer.
 */
function subjectOf(workshop: Workshop, units: readonly WorkUnit[], now: Date): string {
  const ids = new Set(units.map(({ commissionId }) => commissionId));
  const of = {
    day: localDay(now),
    units: units.map(({ schemeRevision: _, ...unit }) => unit),
    paints: [...workshop.paints.values()],
    house: workshop.typedHouse,
    dates: commissionDates(workshop).filter(({ id }) => ids.has(id)),
  };
  return createHash('sha256').update(JSON.stringify(of)).digest('base64');
}
