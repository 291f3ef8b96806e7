import { object, type InferType } from 'yup';
import { LineSets } from '../../core/plan/choices/lineSets';
import { approved } from '../../core/scheme/model/definitions';
import { id } from '../../core/formats/fields';
import { setObstacles } from '../../core/scheme/advice/setObstacles';
import type { LineSetsPicture } from '../../contract/lineSets';
import { passDraws, passFactors } from '../workshop/passDraws';
import { plannedOrder } from './plannedOrder';
import { inSlices } from '../running/inSlices';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, currentSelection, selectionSchema } from '../workshop/choice';
import { datedLine } from '../workshop/datedLine';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';

/** Without a selection it is the line as it is; `about` asks for one commission alone, which takes a moment. */
export const setsSchema = object({ selection: selectionSchema.nullable().defined(), about: id().nullable().defined() });

/** What it would bring to have other units on the line; null when House rules have no sessions, or nothing is left to paint. */
export async function loadSets(
  stores: Stores,
  { selection: asked, about }: InferType<typeof setsSchema>,
  now: Date,
): Promise<LineSetsPicture | null> {
  const workshop = await loadWorkshop(stores, now);
  const selection = asked ?? (await currentSelection(stores, workshop));
  const units = workshop.units.map(approved);
  const built = await lineLeft(workshop, units);
  const dated = await datedLine(workshop, built, now);
  if (!dated) return null;
  const factors = await passFactors(await passDraws(workshop));
  const sets = new LineSets({ built, problem: dated.problem, queue: workshop.commissions.map(({ id }) => id), factors });
  const onLine = chosenUnits(workshop, selection)
    .map(({ id }) => id)
    .filter((id) => sets.unitIds.includes(id));
  if (onLine.length === 0) return null;
  const chosen = units.filter(({ id }) => onLine.includes(id));
  sets.know(onLine, await plannedOrder(stores, workshop, { selection, units: chosen }, await lineLeft(workshop, chosen), now));
  const byCommission = await inSlices(sets.byCommission(onLine, about));
  const singly = about === null ? await inSlices(sets.singly(onLine)) : [];
  const suggestions = about === null ? await inSlices(sets.suggest(onLine)) : [];
  return {
    onLine: [...new Set(chosen.map(({ commissionId }) => commissionId))],
    names: workshop.commissions.map(({ id, name }) => [id, name]),
    sessions: dated.sessions,
    singly,
    byCommission,
    suggestions: suggestions.map((set) => ({
      ...set,
      obstacles: setObstacles(
        units.filter(({ id }) => set.unitIds.includes(id)),
        workshop.paints,
      ),
    })),
  };
}
