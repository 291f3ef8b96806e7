import { allSteps, placedSteps } from '../scheme/model/allSteps';
import { includesStandard, STANDARDS, type Paint, type Part, type Standard, type Step, type Unit } from '../scheme/model/definitions';
import type { HouseRules } from '../scheme/model/houseRules';
import { stepOfKey } from '../scheme/model/halves';
import { effortOf } from '../scheme/passes/passes';
import { withPots } from '../scheme/model/pots';
import { stepsUntil } from '../scheme/advice/stops';
import { factorOf, modelFactors, modelsForStep } from '../scheme/model/whoTakes';
import { normMinutes } from '../time/fit/norms';
import type { PassEstimates } from './estimate';

/** What one coat of a step takes, and where the figure comes from. */
export interface StepCost {
  /** Likely minutes for one ordinary model. */
  perModel: number;
  models: number;
  /** Likely minutes of one coat over all models that take it, leaders counted longer. */
  perCoat: number;
  /** All coats. */
  unitMinutes: number;
  why: string;
  /** A pass of it that the program knows; null where the norm stands in. */
  passKey: string | null;
}

export function stepCost(unit: Unit, step: Step, part: Part | null, estimate: PassEstimates, house: HouseRules): StepCost {
  const passes = estimate.passes.filter((pass) => stepOfKey(pass.passKey) === step.id);
  const [known] = passes;
  // A step that was only just changed or lies above the standard is not in the estimate: the norm stands in until it is.
  const ordinary = known
    ? passes.reduce((sum, pass) => sum + pass.wholeP50, 0) / passes.length
    : normMinutes(step.technique, unit.size, step.coverage);
  const perModel = ordinary * effortOf({ part, half: null, step });
  const models = modelsForStep(unit, step);
  const factors = modelFactors(unit.scheme, house);
  const weight = models.reduce((sum, model) => sum + factorOf(factors, model), 0);
  return {
    perModel,
    models: models.length,
    perCoat: perModel * weight,
    unitMinutes: perModel * weight * step.coats,
    passKey: (passes.find((pass) => pass.modelsLeft > 0) ?? known)?.passKey ?? null,
    why: known?.why ?? 'Our default; your own log joins in once the step is part of the work.',
  };
}

/** What a step of the unit would take over it if it were another technique or covered another share: the painter's pace on it, times the norms. */
export function costIfChanged(unit: Unit, step: Step, part: Part | null, estimate: PassEstimates, house: HouseRules): number {
  const { unitMinutes } = stepCost(unit, step, part, estimate, house);
  const original = allSteps(unit.scheme).find((each) => each.id === step.id);
  const isKnown = estimate.passes.some((pass) => stepOfKey(pass.passKey) === step.id);
  if (!original || !isKnown) return unitMinutes;
  const norm = (of: Step) => normMinutes(of.technique, unit.size, of.coverage);
  return (unitMinutes * norm(step)) / norm(original);
}

/** A place to stop at, and the hands-on minutes of the unit up to it. */
export interface StopLine {
  id: string;
  name: string;
  /** Null for one set by hand. */
  standard: Standard | null;
  usable: boolean;
  minutes: number;
}

/** The standards of a unit and the stops set by hand, each with its minutes; by default it can be used from the lowest standard on. */
export function stopLines(
  unit: Unit,
  paidFor: Standard,
  paints: readonly Paint[],
  estimate: PassEstimates,
  house: HouseRules,
): { lines: StopLine[]; optionalMinutes: number } {
  const { scheme } = unit;
  const costs = placedSteps(scheme).map(({ step, part }) => ({ step, minutes: stepCost(unit, step, part, estimate, house).unitMinutes }));
  const sum = (isIn: (step: Step) => boolean) => costs.reduce((total, { step, minutes }) => total + (isIn(step) ? minutes : 0), 0);
  const pots = withPots(new Map(paints.map((paint) => [paint.id, paint])), [scheme]);
  const isSaid = scheme.stops.some((stop) => stop.usable);
  const byHand = scheme.stops.map((stop): StopLine => {
    const steps = stepsUntil(stop, unit, paidFor, pots, house);
    return { id: stop.id, name: stop.name, standard: null, usable: stop.usable, minutes: sum((step) => steps.has(step.id)) };
  });
  const standards = STANDARDS.map((standard): StopLine => ({
    id: standard,
    name: standard,
    standard,
    usable: !isSaid && standard === STANDARDS[0],
    minutes: sum((step) => includesStandard(standard, step.standard)),
  }));
  return {
    lines: [...byHand, ...standards],
    optionalMinutes: sum((step) => step.optional && includesStandard(paidFor, step.standard)),
  };
}
