import { passesOf } from '../../core/scheme/passes/passes';
import { shareMinutes } from '../../core/plan/build/lineFigures';
import { selectionKey } from '../../core/plan/selection';
import type { TraysPicture } from '../../contract/trays';
import { figuresOf } from './benchEstimate';
import { chosenUnits, currentSelection } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf, stepKindOf } from '../workshop/roster';
import type { Stores } from '../stores/stores';
import { unitChoices } from './loadLine';

/** What the trays of the units chosen are computed from. */
export async function loadTrays(stores: Stores, now: Date): Promise<TraysPicture> {
  const workshop = await loadWorkshop(stores, now);
  const selection = await currentSelection(stores, workshop);
  const units = chosenUnits(workshop, selection);
  const { doneModels, house, paints } = rosterOf(workshop, units);
  const passes = units.flatMap((unit) => passesOf(unit, unit.standard, house).map((pass) => ({ unit, pass })));
  const bench = await stores.workshop.bench();
  return {
    house,
    paints: [...paints.values()],
    units,
    selection,
    choices: unitChoices(workshop),
    revisions: workshop.commissions.map((commission) => [commission.id, commission.revision]),
    passCurves: passes.map(({ unit, pass }) => [pass.key, workshop.model.curve(stepKindOf(unit, pass, workshop))]),
    doneModels: passes.map(({ pass }) => [pass.key, [...doneModels(pass.key)]]),
    plannedMinutes: shareMinutes((await figuresOf(stores, workshop, { selection, units }, now)).total),
    isOnBench: bench !== null && selectionKey(bench.selection) === selectionKey(selection),
  };
}
