import type { CompiledLine } from './compileLine';
import { enteredOrder } from './precedence';

/**
 * Minutes of total that no order can beat, the largest of three arguments plus the touch-up no order can avoid:
 * all hands-on work plus the cheapest way to open every setup once, laid into the sessions; all hands-on work plus a
 * fresh start in every session it needs; and the longest chain of painting and drying.
 */
export function lowerBound(line: CompiledLine): number {
  if (line.jobCount === 0) return 0;
  const handsOn = line.cellMinutes.reduce((sum, minutes) => sum + minutes, 0);
  const cheapestStart = minOf(usedSetups(line), (setup) => line.start[setup]!);
  const work = Math.max(finishOfWork(line, handsOn + cheapestOpenings(line), 0), finishOfWork(line, handsOn, cheapestStart));
  return Math.max(work, longestChain(line, cheapestStart)) - line.sessionFrom[0]! + forcedTouchUp(line);
}

const usedSetups = (line: CompiledLine): number[] => [...new Set(line.jobSetup)];

function minOf(setups: number[], minutes: (setup: number) => number): number {
  return setups.reduce((least, setup) => Math.min(least, minutes(setup)), Infinity);
}

/** Every used setup is entered at least once, the very first of them by a start. */
function cheapestOpenings(line: CompiledLine): number {
  const used = usedSetups(line);
  let sum = 0;
  let firstExtra = Infinity;
  for (const setup of used) {
    const others = used.filter((other) => other !== setup);
    const enter = Math.min(
      line.start[setup]!,
      minOf(others, (other) => line.changeover[other * line.setupCount + setup]!),
    );
    sum += enter;
    firstExtra = Math.min(firstExtra, line.start[setup]! - enter);
  }
  return sum + firstExtra;
}

/** When work that could be cut anywhere would be finished, each session giving up `startMinutes` of its length. */
function finishOfWork(line: CompiledLine, workMinutes: number, startMinutes: number): number {
  let left = workMinutes;
  for (let session = 0; session < line.sessionFrom.length; session++) {
    const from = line.sessionFrom[session]! + startMinutes;
    const room = line.sessionTo[session]! - from;
    if (left <= room) return from + left;
    left -= Math.max(room, 0);
  }
  return line.sessionTo.at(-1)! + left;
}

/** The latest of the earliest ends: each cell after its predecessors' drying and after its tray mates of the same job. */
function longestChain(line: CompiledLine, cheapestStart: number): number {
  const earliestEnd = new Float64Array(line.cellMinutes.length);
  const jobEnd = new Float64Array(line.jobCount);
  let longest = 0;
  for (const job of enteredOrder(line)) {
    let time = line.sessionFrom[0]! + cheapestStart;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      if (line.edgeWholeTray[edge]) time = Math.max(time, jobEnd[line.edgeJob[edge]!]! + line.edgeLag[edge]!);
    }
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) {
      for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
        if (line.edgeWholeTray[edge]) continue;
        const other = line.edgeCell[line.edgeCellStart[edge]! + cell - line.cellStart[job]!]!;
        if (other >= 0) time = Math.max(time, earliestEnd[other]! + line.edgeLag[edge]!);
      }
      time += line.cellMinutes[cell]!;
      earliestEnd[cell] = time;
    }
    jobEnd[job] = time;
    longest = Math.max(longest, time);
  }
  return longest;
}

/** Preferences that a chain of hard predecessors contradicts. */
function forcedTouchUp(line: CompiledLine): number {
  let minutes = 0;
  for (let entry = 0; entry < line.preferMinutes.length; entry++) {
    const first = line.preferFirst[entry]!;
    const then = line.preferThen[entry]!;
    if (first === then || reaches(line, then, first)) minutes += line.preferMinutes[entry]!;
  }
  return minutes;
}

function reaches(line: CompiledLine, from: number, to: number): boolean {
  const seen = new Set([from]);
  for (const job of seen) {
    if (job === to) return true;
    line.successors[job]!.forEach((next) => seen.add(next));
  }
  return false;
}
