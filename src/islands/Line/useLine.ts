import { useEffect, useMemo, useState } from 'react';
import { canKeep, type OwnLine } from '../../core/line/carryOver';
import { fixedStrategies, strategyOf } from '../../core/line/strategies';
import { compileLine } from '../../core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../../core/line/constructOrder';
import type { LinePlan, LineProblem, LineWish } from '../../core/line/definitions';
import { moveByHand } from '../../core/line/moveByHand';
import { OrderJudge } from '../../core/line/OrderJudge';
import { planOrder } from '../../core/line/planOrder';
import { arrangeByWishes } from '../../core/line/wishes';
import { sharedLegs } from '../../core/scheme/sharedLegs';
import type { LinePicture } from '../../core/views/line';
import { send } from '../shared/api';
import { useSaved } from '../shared/useSaved';
import { useSolver } from './useSolver';

const SUGGEST_MS = 1000;
const IMPROVE_MS = 6000;
/** A better order must be better by so much, wishes counted, to be worth a change. */
const WORTH_MINUTES = 0.05;

/** What the last thing done by hand has cost, said while the line is as it left it. */
interface HandNote {
  of: OwnLine;
  minutes: number;
  letGo: number;
}

/**
 * The line on screen: the order the program suggests, or the painter's own with its pins and wishes, and what a search
 * around those has found. Everything is planned without sessions, so every order fits.
 */
export function useLine(picture: LinePicture, commissionId: string) {
  const { problem } = picture;
  const free = useMemo(() => compileLine(problem), [problem]);
  const indexes = useMemo(() => new Map(problem.jobs.map((job, index) => [job.id, index])), [problem]);
  const saved = useSaved<OwnLine | null>({
    initial: picture.own,
    save: (line) => send('PUT', `/api/commissions/${commissionId}/line`, { line }),
  });
  const own = saved.value;
  const fixed = useMemo(() => {
    const unitOfTray = new Map(picture.trays.map((tray) => [tray.id, tray.unitId]));
    return fixedStrategies(problem, (tray) => unitOfTray.get(tray)!);
  }, [picture, problem]);
  const suggestion = useSolver();
  const improvement = useSolver();
  const [note, setNote] = useState<HandNote | null>(null);

  const { start: suggest } = suggestion;
  useEffect(() => suggest(problem, SUGGEST_MS), [problem, suggest]);

  const suggested = useMemo(() => suggestion.report?.order ?? greedyOrder(free, GREEDY_WEIGHTS[0]!), [suggestion.report, free]);
  const bound = suggestion.report?.bound || undefined;
  const order = useMemo(() => (own ? Int32Array.from(own.order, (id) => indexes.get(id)!) : suggested), [own, suggested, indexes]);
  const wished = useMemo<LineProblem>(() => ({ ...problem, wishes: own?.wishes ?? [] }), [problem, own]);
  const plan = useMemo(() => planned(free, order, bound), [free, order, bound]);
  const cost = useMemo(() => new OrderJudge(compileLine(wished)).take(order), [wished, order]);
  const found = improvement.report && planned(free, improvement.report.order, bound);

  /** The painter's line as it stands: what was suggested becomes the painter's own with the first touch. */
  const current = (): OwnLine => own ?? { order: plan.order, wishes: [] };

  const change = (next: OwnLine | null) => {
    improvement.clear();
    saved.change(next);
  };

  return {
    plan,
    order,
    problem: wished,
    free,
    wishes: own?.wishes ?? [],
    isOwn: own !== null,
    isSearching: suggestion.isBusy,
    note: note?.of === own ? note : null,
    saved,
    strategies: useMemo(
      () => [...fixed, strategyOf(free, 'suggested', suggested), ...(own ? [strategyOf(free, 'own', order)] : [])],
      [fixed, free, suggested, own, order],
    ),
    shared: useMemo(() => sharedLegs(picture, plan.legs), [picture, plan]),

    move: (from: number, end: number, to: number, minutes: number) => {
      const { own: next, letGo } = moveByHand(problem, current(), from, end, to);
      setNote({ of: next, minutes, letGo: letGo.length });
      change(next);
    },
    setWishes: (wishes: LineWish[]) => {
      const arranged = canKeep(problem, wishes) ? arrangeByWishes(compileLine({ ...problem, wishes }), order) : null;
      if (!arranged) return false;
      change({ order: Array.from(arranged, (job) => problem.jobs[job]!.id), wishes });
      return true;
    },
    follow: () => change(null),

    improve: () => improvement.start(wished, IMPROVE_MS, order),
    isImproving: improvement.isBusy,
    /** What a search has found, null while none was asked for; with wishes a better line may take more minutes. */
    found: found && { isBetter: cost - improvement.report!.cost > WORTH_MINUTES, minutes: found.total - plan.total },
    takeFound: () => {
      if (found) change({ order: found.order, wishes: own?.wishes ?? [] });
    },
    leaveFound: improvement.clear,
  };
}

function planned(line: ReturnType<typeof compileLine>, order: Int32Array, bound: number | undefined): LinePlan {
  const plan = planOrder(line, order, bound);
  if ('missingMinutes' in plan) throw new Error('the Line view plans without sessions, so every order fits');
  return plan;
}

/** How far from the best possible a plan can be, in words. */
export function gapText(plan: LinePlan): string {
  if (plan.proven) return 'the best possible';
  return `at most ${Math.max(1, Math.ceil(plan.total - plan.bound))} min from the best possible`;
}
