import { compileLine } from '../problem/compileLine';
import type { LineProblem } from '../definitions';
import { solveLine, type SolvedLine } from './solveLine';

/** What a worker is asked for; the search ends at the first limit it meets. */
export interface SolveRequest {
  /** As `readLineProblem` returns it. */
  problem: LineProblem;
  seed: number;
  /** Moves to judge at most; null for no limit. */
  steps: number | null;
  milliseconds: number | null;
  /** An order to start from, as job indexes. */
  start?: ArrayLike<number>;
  isQuick?: boolean;
  /** As in `SolveOptions`. */
  seeksProof?: boolean;
}

export interface SolveReport extends SolvedLine {
  /** Since the search began. */
  milliseconds: number;
  done: boolean;
}

/** Better orders come in bursts while the search warms up; they are told at most this often. */
const TELL_EVERY_MS = 100;

/**
 * Solves a request and returns the last report; `onProgress` is told of better orders until then. The body of the worker in the
 * browser and of the thread on the server. `now` is a clock in milliseconds.
 */
export function runSolver(request: SolveRequest, now: () => number, onProgress?: (report: SolveReport) => void): SolveReport {
  const { problem, seed, steps, milliseconds, start, isQuick, seeksProof } = request;
  const begun = now();
  let told = -Infinity;
  const reportOf = (solved: SolvedLine, done: boolean): SolveReport => ({
    ...solved,
    order: solved.order.slice(),
    milliseconds: now() - begun,
    done,
  });
  const solved = solveLine(compileLine(problem), {
    seed,
    steps: steps ?? Infinity,
    start,
    isQuick,
    seeksProof,
    shouldStop: milliseconds === null ? undefined : () => now() - begun >= milliseconds,
    onProgress: (progress) => {
      if (now() - told < TELL_EVERY_MS) return;
      told = now();
      onProgress?.(reportOf(progress, false));
    },
  });
  return reportOf(solved, true);
}
