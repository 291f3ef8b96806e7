import type { StandardTotals } from '../../core/commission/backPlan';
import { doneModels } from '../../core/bench/replay/foldMarks';
import { approved, type Standard } from '../../core/scheme/model/definitions';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { workOf } from '../workshop/roster';
import { stagesOf } from './fromTheStart';

type Totals = Omit<StandardTotals, 'standard'>;

interface Known {
  paidFor: Standard;
  /** What is left at the standard paid for, as it is planned. */
  left: Totals;
  /** Painted from the start, lowest standard first. */
  whole: readonly StandardTotals[];
}

/**
 * What is left of a commission at each standard: steps that another standard has and that are not painted, with the set-ups and
 * waiting that go with what is left at the one paid for.
 */
export function leftAtStandards(workshop: Workshop, units: readonly WorkUnit[], { paidFor, left, whole }: Known): StandardTotals[] {
  const now = handsOnLeft(workshop, units, paidFor);
  return whole.map(({ standard, ...all }) => {
    if (standard === paidFor) return { standard, handsOn: left.handsOn, likely: left.likely, safe: left.safe };
    // Where nothing is left at the standard paid for, more comes with what the whole of it would.
    const [like, from] = now > 0 ? [left, now] : [all, all.handsOn];
    const share = from > 0 ? handsOnLeft(workshop, units, standard) / from : 0;
    return { standard, handsOn: like.handsOn * share, likely: like.likely * share, safe: like.safe * share };
  });
}

/** Likely hands-on minutes of what is not painted. */
function handsOnLeft(workshop: Workshop, units: readonly WorkUnit[], standard: Standard): number {
  const passDone = (passKey: string) => doneModels(workshop.marks.marks, passKey);
  const work = units.flatMap((unit) => workOf(approved({ ...unit, standard }), workshop, passDone));
  return Object.values(stagesOf(workshop, work)).reduce((sum, minutes) => sum + minutes, 0);
}
