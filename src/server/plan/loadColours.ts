import { colourShares } from '../../core/paint/armsLength';
import { colourBoardInSteps } from '../../core/paint/colourBoard';
import { contrastOf } from '../../core/paint/contrast';
import { marksIn, rampsIn } from '../../core/paint/schemeColours';
import { approved, modelsOf, type Step } from '../../core/scheme/model/definitions';
import { potIdsOf } from '../../core/scheme/model/pots';
import type { ColoursPicture } from '../../contract/colours';
import { inSlices } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

/** Beyond this nobody calls two colours alike. */
const MOST_DIFFERENCE = 30;

/** All paints of the open work by units, and what of their colours is too alike. */
export async function loadColours(stores: Stores, now: Date): Promise<ColoursPicture> {
  const workshop = await loadWorkshop(stores, now);
  // Models whose batch waits for a test model are to be painted too.
  const roster = rosterOf(workshop, workshop.units.map(approved));
  const rows = await inSlices(colourBoardInSteps(roster));
  const limits = { neighbours: MOST_DIFFERENCE, highlights: MOST_DIFFERENCE };
  const contrasts = workshop.units.map((unit) => {
    const pots = potIdsOf(unit.scheme);
    return contrastOf(unit, unit.standard, roster.paints, ({ mix, paint }) => (mix === null ? paint : (pots.get(mix) ?? null)), limits);
  });
  const coloured = workshop.units.map((unit) => {
    const pots = potIdsOf(unit.scheme);
    const potOf = ({ mix, paint }: Pick<Step, 'mix' | 'paint'>) => roster.paints.get((mix === null ? paint : pots.get(mix)) ?? '') ?? null;
    return { unit, potOf };
  });
  const seen = coloured.map(({ unit, potOf }) => ({ unitId: unit.id, colours: colourShares(unit.scheme, unit.standard, potOf) }));
  return {
    marks: coloured.flatMap(({ unit, potOf }) => marksIn(unit, potOf)),
    ramps: coloured.flatMap(({ unit, potOf }) => rampsIn(unit, potOf)),
    shelf: [...workshop.paints.values()],
    seen: seen.filter(({ colours }) => colours.length > 0),
    units: workshop.units.map((unit) => ({
      id: unit.id,
      name: unit.name,
      models: modelsOf(unit),
      commissionId: unit.commissionId,
      commissionName: unit.commissionName,
    })),
    rows,
    contrast: { alike: contrasts.flatMap(({ alike }) => alike), faint: contrasts.flatMap(({ faint }) => faint) },
  };
}
