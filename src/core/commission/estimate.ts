import type { StepEstimate } from '../time/definitions';

/**
 * What work still takes, minutes, from one plan. Every view shows these figures and no others: `likely` is hands-on, set-up,
 * waiting and touch-up together, every pass at its median; `safe` is met in 80 of 100 simulations.
 */
export interface WorkFigures {
  handsOn: number;
  setUp: number;
  waiting: number;
  touchUp: number;
  likely: number;
  safe: number;
  /** Hands-on of all its passes, painted ones included. */
  wholeHandsOn: number;
  /** Model-steps painted and in all. */
  stepsDone: number;
  stepsTotal: number;
}

/**
 * Share of the painting that is done, 0 to 1: by hands-on minutes, so that an eye weighs less than a coat. Every view that says
 * "painted" says this.
 */
export const paintedShare = ({ handsOn, wholeHandsOn }: Pick<WorkFigures, 'handsOn' | 'wholeHandsOn'>): number =>
  // Sums of many minutes are off by their last digit: nothing painted is never less than nothing.
  wholeHandsOn > 0 ? Math.max(0, 1 - handsOn / wholeHandsOn) : 0;

/** What one pass still takes. */
export interface PassEstimate extends Pick<StepEstimate, 'p50' | 'p80' | 'normMinutes' | 'why'> {
  passKey: string;
  unitId: string;
  modelsLeft: number;
  modelsTotal: number;
  /** Likely minutes of a model over the whole pass, as if from the start; `p50` is that of the models left. */
  wholeP50: number;
  /** Likely minutes for all models of the pass, painted or not, leaders counted longer. */
  unitMinutes: number;
}

export interface UnitEstimate extends WorkFigures {
  unitId: string;
}

/** What the passes of a commission take, whatever order they are planned in. */
export interface PassEstimates {
  passes: PassEstimate[];
}

export interface CommissionEstimate extends WorkFigures, PassEstimates {
  units: UnitEstimate[];
}
