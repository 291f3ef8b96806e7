import { overWords, workOnWords } from '../../../core/scheme/model/workWords';
import { placedSteps } from '../../../core/scheme/model/allSteps';
import { ulid } from 'ulid';
import { useMemo } from 'react';
import type { Paint, Standard, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { passesOf } from '../../../core/scheme/passes/passes';
import { withPots } from '../../../core/scheme/model/pots';
import { schemeWarnings } from '../../../core/scheme/advice/spoiled';
import type { PassEstimates } from '../../../core/commission/estimate';
import { costIfChanged } from '../../../core/commission/stepCosts';
import { broughtBack } from '../../../core/scheme/authoring/edits';
import { mixer } from '../../client/mixer';
import type { SpoiledBy } from '../step/Spoiled';

/** What the scheme spoils and must keep clear of, step by step. */
export function useWarnings(unit: Unit, standard: Standard, paints: Paint[], house: HouseRules) {
  return useMemo(() => {
    const pots = withPots(new Map(paints.map((paint) => [paint.id, paint])), [unit.scheme], mixer);
    const { spoiled, keepClear } = schemeWarnings(unit, passesOf(unit, standard, house), pots, house);
    const steps = placedSteps(unit.scheme);
    const partNames = new Map(unit.scheme.parts.map((part) => [part.id, part.name.toLowerCase()]));
    return {
      spoiled: new Set(spoiled.map(({ step }) => step)),
      keepClear: new Map(keepClear.map(({ step, parts: ids }) => [step, ids.map((id) => partNames.get(id)!)])),
      by: (stepId: string, estimate: PassEstimates): SpoiledBy | null => {
        const found = spoiled.find(({ step }) => step === stepId);
        const own = steps.find(({ step }) => step.id === stepId);
        const by = steps.find(({ step }) => step.id === found?.by);
        if (!found || !own || !by) return null;
        return {
          by: workOnWords(by.step, by.part?.name ?? overWords(by.step.over, unit.scheme.parts)),
          what: found.what,
          backMinutes: costIfChanged(unit, { ...broughtBack(ulid, own.step), id: own.step.id }, own.part, estimate, house),
        };
      },
    };
  }, [unit, standard, paints, house]);
}
