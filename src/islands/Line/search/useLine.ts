import { useMemo, useState } from 'react';
import type { LineSessions } from '../../../core/plan/dates/lineSessions';
import { canKeep, type OwnLine } from '../../../core/line/hand/carryOver';
import { strategyOf } from '../../../core/line/search/strategies';
import { compileLine } from '../../../core/line/problem/compileLine';
import { lowerBound } from '../../../core/line/bounds/lowerBound';
import { GREEDY_WEIGHTS, greedyOrder } from '../../../core/line/search/constructOrder';
import {
  lineFormatOf,
  type LinePlan,
  type LineProblem,
  type LineSession,
  type LineWish,
  type OrderChange,
} from '../../../core/line/definitions';
import { moveByHand } from '../../../core/line/hand/moveByHand';
import { OrderJudge } from '../../../core/line/search/OrderJudge';
import { planOrder } from '../../../core/line/search/planOrder';
import { timeOrder } from '../../../core/line/timing/timeOrder';
import { enteredOrder } from '../../../core/line/problem/precedence';
import { arrangeByWishes } from '../../../core/line/problem/wishes';
import { sharedLegs } from '../../../core/plan/build/sharedLegs';
import type { LinePicture } from '../../../contract/line';
import { LineTimes } from '../../shared/LineTimes';
import type { LineDesk } from './useLineDesk';
import { useProof } from './useProof';
import { useSolver, type Search } from './useSolver';
import { useSuggested } from './useSuggested';

/**
 * How long a search goes on: so many moves over all jobs, as each takes longer the longer the line is, or so long on a slow machine. What
 * the painter asks for gets five times what the server gives every line; more moves find next to nothing.
 */
const THINK = { jobSteps: 5_000_000, milliseconds: 1000 };
const IMPROVE = { jobSteps: 10_000_000, milliseconds: 6000 };
const searchOf = (problem: LineProblem, start: Int32Array, { jobSteps, milliseconds }: typeof THINK): Search => ({
  problem,
  steps: Math.ceil(jobSteps / problem.jobs.length),
  milliseconds,
  start,
});

/** A better order must be better by so much, wishes counted, to be worth a change. */
const WORTH_MINUTES = 0.05;

/** What the last thing done by hand has cost, said while the line is as it left it. */
interface HandNote {
  of: OwnLine;
  change: OrderChange;
  letGo: number;
}

export type Line = ReturnType<typeof useLine>;

/**
 * The line on screen: the order the program suggests, or the painter's own with its pins and wishes, and what a search
 * around those has found. It is planned in the sessions given, or in one session when there are none.
 */
export function useLine({ picture, own, changeOwn, saved }: LineDesk, sessions: LineSessions | null) {
  const indexes = useMemo(() => new Map(picture.problem.jobs.map((job, index) => [job.id, index])), [picture]);
  const ownOrder = useMemo(() => own && Int32Array.from(own.order, (id) => indexes.get(id)!), [own, indexes]);
  const fits = useMemo(() => sessions !== null && holds(picture.problem, sessions, ownOrder), [picture, sessions, ownOrder]);
  const times = useMemo(() => new LineTimes(fits ? sessions : null), [fits, sessions]);
  const problem = useMemo(() => (times.sessions ? datedProblem(picture, times.sessions) : picture.problem), [picture, times]);
  const free = useMemo(() => compileLine(problem), [problem]);
  const ahead = useSuggested(picture);
  const [note, setNote] = useState<HandNote | null>(null);

  const planned = useMemo(() => Int32Array.from(ahead.suggested, (id) => indexes.get(id)!), [ahead.suggested, indexes]);
  // In the painter's sessions the order is the one that every view plans with; one session is only thought of, here.
  const isThoughtOf = sessions === null && picture.sessions !== null;
  const thinking = useMemo<Search | null>(
    () => (isThoughtOf && !ahead.isSearching ? searchOf(problem, planned, THINK) : null),
    [isThoughtOf, problem, planned, ahead.isSearching],
  );
  const thought = useSolver(thinking);
  const suggested = thought.report?.order ?? planned;
  const proof = useProof(isThoughtOf || ahead.isSearching ? null : free, planned);
  // Once for the line, not for every order that is carried over it; a search that has only begun knows none.
  const atLeast = useMemo(() => lowerBound(free), [free]);
  const bound = (thought.report?.bound || proof.bound) ?? atLeast;
  const order = ownOrder ?? suggested;
  const wished = useMemo<LineProblem>(() => ({ ...problem, wishes: [...(problem.wishes ?? []), ...(own?.wishes ?? [])] }), [problem, own]);
  const plan = useMemo(() => planOf(free, order, bound), [free, order, bound]);
  const cost = useMemo(() => new OrderJudge(compileLine(wished, free)).take(order), [wished, free, order]);
  const [improving, setImproving] = useState<Search | null>(null);
  const improvement = useSolver(improving?.problem === wished ? improving : null);
  const better = improvement.report;
  const found = better && planOf(free, better.order, bound);

  /** The painter's line as it stands: what was suggested becomes the painter's own with the first touch. */
  const current = (): OwnLine => own ?? { order: plan.order, wishes: [] };

  const change = (next: OwnLine | null) => {
    setImproving(null);
    changeOwn(next);
  };

  return {
    plan,
    times,
    /** The line without wishes, for the hand that earlier pins do not bind. */
    withoutWishes: problem,
    order,
    problem: wished,
    free,
    /** The painter's own; `problem` has those of House rules before them. */
    wishes: own?.wishes ?? [],
    isOwn: own !== null,
    isSearching: ahead.isSearching || thought.isBusy,
    /** Is it being worked out how near the order is to the best? */
    isProving: proof.isBusy,
    /** A search that broke off, and another try. */
    failed: [thought, proof, improvement].find(({ error }) => error !== null)?.error ?? null,
    searchAgain: () => {
      for (const each of [thought, proof, improvement]) if (each.error !== null) each.again();
    },
    note: note?.of === own ? note : null,
    saved,
    /** The suggested order and, when there is one, the painter's own. */
    strategies: useMemo(
      () => [strategyOf(free, 'suggested', suggested), ...(own ? [strategyOf(free, 'own', order)] : [])],
      [free, suggested, own, order],
    ),
    /** The order as entered, the one way to paint the line that is known without a search. */
    entered: useMemo(() => strategyOf(free, 'entered', enteredOrder(free)), [free]),
    shared: useMemo(() => sharedLegs(picture, plan.legs), [picture, plan]),

    move: (from: number, end: number, to: number, made: OrderChange) => {
      const { own: next, letGo } = moveByHand(problem, current(), from, end, to);
      setNote({ of: next, change: made, letGo: letGo.length });
      change(next);
    },
    setWishes: (wishes: LineWish[]) => {
      const arranged = canKeep(free, wishes) ? arrangeByWishes(compileLine({ ...problem, wishes }, free), order) : null;
      if (!arranged) return false;
      change({ order: Array.from(arranged, (job) => problem.jobs[job]!.id), wishes });
      return true;
    },
    follow: () => change(null),

    improve: () => setImproving(searchOf(wished, order, IMPROVE)),
    isImproving: improvement.isBusy,
    /** What a search has found, null while none was asked for; with wishes a better line may take more minutes. */
    found: found && {
      isBetter: cost - better!.cost > WORTH_MINUTES,
      change: { bench: found.bench - plan.bench, finish: found.finish - plan.finish, late: found.late - plan.late },
    },
    /** Takes an order found for something else, as by keeping a date. */
    takeOrder: (order: ArrayLike<number>) =>
      change({ order: Array.from(order, (job) => problem.jobs[job]!.id), wishes: own?.wishes ?? [] }),
    takeFound: () => {
      if (found) change({ order: found.order, wishes: own?.wishes ?? [] });
    },
    leaveFound: () => setImproving(null),
  };
}

/** The line in sessions, with the dates of its commissions. */
function datedProblem({ problem, due }: LinePicture, sessions: LineSession[]): LineProblem {
  const dated = { ...problem, sessions, due };
  return { ...dated, format: lineFormatOf(dated) };
}

function planOf(line: ReturnType<typeof compileLine>, order: Int32Array, bound: number): LinePlan {
  const plan = planOrder(line, order, bound);
  if (!plan.fits) throw new Error('the Line view has made sure that the sessions hold its orders');
  return plan;
}

/** Do the sessions hold this order, or a sensible one? They do not when one model of one step takes longer than each of them. */
function holds(problem: LineProblem, { sessions }: LineSessions, order: Int32Array | null): boolean {
  const line = compileLine({ ...problem, sessions });
  return timeOrder(line, order ?? greedyOrder(line, GREEDY_WEIGHTS[0]!)).fits;
}
