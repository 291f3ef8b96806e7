import { includesStandard, modelsOf, type Part, type Standard, type Step, type Unit } from './definitions';

/**
 * The unit of work: one coat of one step, on every model of the unit that takes it. Its key stays the same however
 * the unit is split into trays, so what was logged stays true.
 */
export interface Pass {
  /** `stepId#coat`, coat from 1. */
  key: string;
  unitId: string;
  step: Step;
  coat: number;
  /** Null for a step that goes over everything. */
  part: Part | null;
  /** Place of the part from the deepest (0) to the outermost; -1 for a step that goes over everything. */
  depth: number;
  /** Models of the unit that take it, 1-based, ascending. */
  models: number[];
}

export const passKey = (stepId: string, coat: number): string => `${stepId}#${coat}`;

/** The models of a unit that a step is for. Leaders are the first models of the unit. */
export function modelsForStep(unit: Pick<Unit, 'promised' | 'counted' | 'leaders'>, step: Pick<Step, 'who'>): number[] {
  const all = Array.from({ length: modelsOf(unit) }, (_, index) => index + 1);
  if (step.who === 'all') return all;
  return all.filter((model) => (step.who === 'leaders') === model <= unit.leaders);
}

/** All passes of a unit for the standard paid for, in the order entered: the parts' strips, then the steps over everything. */
export function passesOf(unit: Unit, standard: Standard): Pass[] {
  const ofStep = (step: Step, part: Part | null, depth: number): Pass[] => {
    const models = modelsForStep(unit, step);
    if (models.length === 0 || !includesStandard(standard, step.standard)) return [];
    return Array.from({ length: step.coats }, (_, index) => ({
      key: passKey(step.id, index + 1),
      unitId: unit.id,
      step,
      coat: index + 1,
      part,
      depth,
      models,
    }));
  };
  return [
    ...unit.scheme.parts.flatMap((part, depth) => part.steps.flatMap((step) => ofStep(step, part, depth))),
    ...unit.scheme.allOver.flatMap((step) => ofStep(step, null, -1)),
  ];
}
