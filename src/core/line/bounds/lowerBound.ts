import type { CompiledLine } from '../problem/compiledLine';
import { DateBounds } from './dates';
import { headBodyTail, headsAndTails, type HeadsAndTails } from './headsAndTails';
import { cheapestOpenings, type Openings } from './openings';
import { calendarWithRestarts, cheapestStart, finishInSession, isEndless } from './sessions';

/**
 * The total that no order can beat: the broken preferences and the lateness no order can avoid, plus the largest of four finishes
 * (and, where they count by themselves, the least minutes at the bench and legs). All
 * hands-on work with the cheapest way to open every leg that is needed, laid into the sessions; all hands-on work with a
 * fresh start in every session; the work between the earliest begins and the shortest ways to the end of the line; and the
 * model that is longest in the hand or too wet to be. Told to stop, it settles for less than it could find.
 */
export function lowerBound(line: CompiledLine, shouldStop: () => boolean = () => false): number {
  if (line.jobCount === 0) return 0;
  const handsOn = line.jobMinutes.reduce((sum, minutes) => sum + minutes, 0);
  let finish = Math.max(finishWithStarts(line, handsOn), line.sessionFrom[0]! + busiestModel(line));
  let late = 0;
  let changeover = 0;
  let legs = 0;
  if (!shouldStop()) {
    const openings = cheapestOpenings(line);
    changeover = Math.max(openings.total, openings.totalAlone);
    legs = openings.legs;
    finish = Math.max(finish, calendarWithRestarts(line, openings.perSession).momentOf(handsOn + openings.total));
    finish = Math.max(finish, calendarWithRestarts(line, openings.perSessionAlone).momentOf(handsOn + openings.totalAlone));
    if (!shouldStop()) {
      const ways = headsAndTails(line, openings);
      finish = Math.max(finish, headBodyTail(line, openings, ways));
      late = leastLate(line, openings, ways);
    }
  }
  const { objective } = line;
  const span = finishInSession(line, finish) - line.sessionFrom[0]!;
  // In one endless session all minutes until the end are minutes at the bench; over a night a wait costs none.
  const bench = isEndless(line) ? span : handsOn + changeover;
  return objective.span * span + objective.bench * bench + objective.leg * legs + late + forcedBroken(line, shouldStop);
}

/** Each set of dates needs all the work of its jobs and of those before them, with every setup opened and every tray fetched once. */
function leastLate(line: CompiledLine, openings: Openings, { heads }: HeadsAndTails): number {
  const bounds = new DateBounds(line);
  if (bounds.dates.length === 0) return 0;
  const byMask = new Float64Array(bounds.all + 1);
  const setups = new Int32Array(line.setupCount);
  const trays = new Int32Array(line.trayFetch.length);
  bounds.neededFor.forEach((mask, job) => {
    byMask[mask]! += line.jobMinutes[job]!;
    setups[line.jobSetup[job]!]! |= mask;
    trays[line.jobTray[job]!]! |= mask;
  });
  setups.forEach((mask, setup) => mask && (byMask[mask]! += openings.enter[setup]!));
  trays.forEach((mask, tray) => mask && (byMask[mask]! += line.trayFetch[tray]!));
  const work = bounds.workOfSets(byMask);
  const calendar = calendarWithRestarts(line, openings.perSessionAlone);
  const discount = Math.min(0, openings.firstExtra);
  const earliest = bounds.dates.map((date) =>
    line.due.jobs[date]!.reduce((latest, job) => Math.max(latest, heads[job]! + line.jobMinutes[job]!), line.sessionFrom[0]!),
  );
  return bounds.leastLate(
    bounds.all,
    (set) => finishInSession(line, calendar.momentOf(work[set]! + discount)),
    earliest.map((moment) => finishInSession(line, moment)),
  );
}

/** All the work on one model, which must rest after each job before it may be picked up again; the last rest aside. */
function busiestModel(line: CompiledLine): number {
  const minutes = new Float64Array(line.modelCount);
  const longestRest = new Float64Array(line.modelCount);
  for (let job = 0; job < line.jobCount; job++) {
    const rest = line.jobHandle[job]!;
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) {
      const model = line.cellModel[cell]!;
      minutes[model] = minutes[model]! + line.cellMinutes[cell]! + rest;
      longestRest[model] = Math.max(longestRest[model]!, rest);
    }
  }
  return cheapestStart(line) + minutes.reduce((most, each, model) => Math.max(most, each - longestRest[model]!), 0);
}

/** When the hands-on work would be finished if each session gave up its cheapest start. */
function finishWithStarts(line: CompiledLine, handsOn: number): number {
  const start = cheapestStart(line);
  let left = handsOn;
  for (let session = 0; session < line.sessionFrom.length; session++) {
    const from = line.sessionFrom[session]! + start;
    const room = line.sessionTo[session]! - from;
    if (left <= room) return from + left;
    left -= Math.max(room, 0);
  }
  return line.sessionTo.at(-1)! + left;
}

/** What is added by preferences that a chain of hard predecessors contradicts, and the cheaper side of those that contradict each other. */
function forcedBroken(line: CompiledLine, shouldStop: () => boolean): number {
  const sides = new Map<string, { first: number; then: number; minutes: number; opposite: number }>();
  let minutes = 0;
  for (let entry = 0; entry < line.preferCost.length; entry++) {
    const first = line.preferFirst[entry]!;
    const then = line.preferThen[entry]!;
    if (first === then) minutes += line.preferCost[entry]!;
    else {
      const key = first < then ? `${first} ${then}` : `${then} ${first}`;
      const side = sides.get(key) ?? { first, then, minutes: 0, opposite: 0 };
      if (side.first === first) side.minutes += line.preferCost[entry]!;
      else side.opposite += line.preferCost[entry]!;
      sides.set(key, side);
    }
  }
  const reach = reachability(line);
  for (const side of sides.values()) {
    if (shouldStop()) minutes += Math.min(side.minutes, side.opposite);
    else if (reach(side.then, side.first)) minutes += side.minutes;
    else if (reach(side.first, side.then)) minutes += side.opposite;
    else minutes += Math.min(side.minutes, side.opposite);
  }
  return minutes;
}

/** Must one job stand before another, by any chain? Remembers what it has walked. */
function reachability(line: CompiledLine): (from: number, to: number) => boolean {
  const known = new Map<number, Set<number>>();
  return (from, to) => {
    let reached = known.get(from);
    if (!reached) {
      reached = new Set([from]);
      for (const job of reached) line.successors[job]!.forEach((next) => reached!.add(next));
      known.set(from, reached);
    }
    return reached.has(to);
  };
}
