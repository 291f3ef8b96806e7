import { object, type InferType } from 'yup';
import { doneModels } from '../../core/bench/replay/foldMarks';
import { requiredText } from '../../core/formats/fields';
import { approved } from '../../core/scheme/model/definitions';
import { passesOf } from '../../core/scheme/passes/passes';
import type { WhyPicture } from '../../contract/why';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { withTodaysNames } from '../workshop/todaysNames';
import type { StoredLogRow } from '../../core/log/definitions';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { workOf } from '../workshop/roster';

const MOST_ROWS = 6;
const NOTHING: ReadonlySet<number> = new Set();

export const whySchema = object({ pass: requiredText('the key of a pass') });

/** Where the figure of a pass comes from: the norm, what the log makes of it, the rows of this step. */
export async function loadWhy(stores: Stores, { pass: key }: InferType<typeof whySchema>, now: Date): Promise<WhyPicture> {
  const workshop = await loadWorkshop(stores, now);
  const { house, marks, model, odd, log } = workshop;
  const unit = workshop.units.find((each) => passesOf(each, each.standard, house).some((pass) => pass.key === key));
  if (!unit) throw new NotFoundError(`There is no step ${key} in the open commissions: reload the page.`);
  const of = (passDone: (passKey: string) => ReadonlySet<number>) =>
    workOf(approved(unit), workshop, passDone).filter((item) => item.passKey === key);
  const left = of((passKey) => doneModels(marks.marks, passKey));
  const items = left.length > 0 ? left : of(() => NOTHING);
  const [first] = items;
  const stretch = {
    done: first!.done,
    models: items.reduce((sum, item) => sum + item.models, 0),
    weight: items.reduce((sum, item) => sum + item.weight, 0),
  };
  const { kind } = first!;
  const origin = kind.stepLike ?? kind.stepId;
  const isOfStep = (row: StoredLogRow) =>
    (row.unitId === kind.unitId && row.stepId === kind.stepId) || row.stepId === origin || row.stepLike === origin;
  const rows = log.flatMap((row) => (row.technique === kind.technique && isOfStep(row) ? [{ ...row, odd: odd.get(row.id) ?? null }] : []));
  return {
    technique: kind.technique,
    stretch,
    explanation: model.explain(kind, stretch),
    rows: (await withTodaysNames(stores, rows.slice(-MOST_ROWS))).reverse(),
  };
}
