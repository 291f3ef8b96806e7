import { array, object, type InferType } from 'yup';
import { id, list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import { hasScheme } from '../../core/scheme/model/definitions';
import { wholeCommission, type Selection } from '../../core/plan/selection';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from './loadWorkshop';

export const selectionSchema = list(object({ commissionId: id(), unitIds: array(id()).strict().max(500).nullable().defined() }), 200, 1);

/** Units of a selection that are still there and open. */
export const chosenUnits = (workshop: Workshop, selection: Selection): WorkUnit[] =>
  workshop.units.filter((unit) => isChosen(selection, unit));

const isChosen = (selection: Selection, unit: { id: string; commissionId: string }): boolean =>
  selection.some(({ commissionId, unitIds }) => commissionId === unit.commissionId && (unitIds === null || unitIds.includes(unit.id)));

/**
 * The units that Trays and Line are about: those chosen last, else what lies on the bench, else the commission that is due first
 * and has a scheme. Empty when nothing is open.
 */
export async function currentSelection(stores: Pick<Stores, 'workshop'>, workshop: Workshop): Promise<Selection> {
  const chosen = await stores.workshop.selection();
  if (chosen?.some(({ commissionId }) => workshop.commissions.some((commission) => commission.id === commissionId))) return chosen;
  const bench = await stores.workshop.bench();
  if (bench && chosenUnits(workshop, bench.selection).length > 0) return bench.selection;
  const due =
    workshop.commissions.find(({ id: each }) => workshop.units.some((unit) => unit.commissionId === each && hasScheme(unit))) ??
    workshop.commissions[0];
  return due ? wholeCommission(due.id) : [];
}

/** Chooses the units that Trays and Line are about. */
export async function chooseUnits(stores: Stores, { selection }: { selection: InferType<typeof selectionSchema> }): Promise<void> {
  for (const [index, { commissionId, unitIds }] of selection.entries()) {
    if (!(await stores.commissions.find(commissionId)))
      throw new InputError(`selection[${index}].commissionId`, commissionId, 'name a commission that is open');
    const known = new Set(await stores.commissions.unitIds(commissionId));
    const unknown = unitIds?.find((unit) => !known.has(unit));
    if (unknown !== undefined) throw new InputError(`selection[${index}].unitIds`, unknown, 'name units of this commission');
  }
  const chosen = selection.map(({ commissionId }) => commissionId);
  const units = await stores.commissions.unitsOf(chosen);
  checkWorkSize(
    units.filter((unit) => isChosen(selection, unit)),
    'selection',
  );
  await stores.workshop.choose(selection);
}
