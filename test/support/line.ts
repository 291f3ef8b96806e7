import { compileLine } from '../../src/core/line/problem/compileLine';
import { solveLine, type SolveOptions } from '../../src/core/line/search/solveLine';
import type { DoesNotFit } from '../../src/core/line/timing/timeOrder';
import { planOrder, type FittingPlan } from '../../src/core/line/search/planOrder';
import type { LinePlan, LineProblem } from '../../src/core/line/definitions';
import { buildLine } from '../../src/core/plan/build/buildLine';
import type { LinePicture } from '../../src/contract/line';
import { paint, part, roster, step, unit } from './units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));

/** Finds a good order and plans it. */
export function planLine(problem: LineProblem, options: SolveOptions): FittingPlan | DoesNotFit {
  const line = compileLine(problem);
  const { order, bound } = solveLine(line, options);
  return planOrder(line, order, bound);
}

/** Two units of four that share two paints, primed, as the Line view gets them. */
export function smallLine(): { picture: LinePicture; plan: LinePlan } {
  const scheme = () => [part('shirt', step('basecoat', { paint: 'red' })), part('hood', step('basecoat', { paint: 'blue', coats: 2 }))];
  const units = ['Keepers', 'Cutters'].map((name) => unit(name, scheme(), [step('prime')], { promised: 4 }));
  const built = buildLine(roster(units, { paints }));
  const line = compileLine(built.problem);
  const plan = planOrder(line, solveLine(line, { seed: 1, steps: 500 }).order);
  if (!plan.fits) throw new Error('one endless session holds everything');
  return {
    picture: {
      ...built,
      askedSessions: null,
      selection: [],
      ruleWords: {},
      choices: [],
      waitingUnits: [],
      heldUnits: [],
      withWaiting: null,
      unitsWithoutScheme: [],
      stepsWithoutPaint: [],
      shortPaints: [],
      isOnBench: false,
      isBenchTaken: false,
      canPutBack: false,
      suggested: plan.order,
      isSearching: false,
      own: null,
      ownRevision: 0,
      isOwnOnBench: false,
      treatJobs: [],
      sessions: null,
      nearlyDone: [],
      due: [],
      commissions: [],
    },
    plan,
  };
}
