import { workOnWords } from '../../core/scheme/model/workWords';
import { groupBy } from '../../core/kernel/groupBy';
import { SIZE_LABELS } from '../../core/scheme/model/definitions';
import { minutesThatCount, type StoredLogRow } from '../../core/log/definitions';
import { groupPaces, hitRate, minutesIntoSitting, stageMinutes, type ForetoldRow } from '../../core/time/check/insights';
import { modelMinutes, savedPerDoubling } from '../../core/time/fit/learningCurve';
import { stepKey } from '../../core/time/fit/observations';
import type { LearningStep, LogInsights, StageHours } from '../../contract/insights';
import type { StoredPrediction } from '../../data/stores/predictionStore';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { loadWorkshop, type Workshop } from '../workshop/loadWorkshop';
import { isToForetell } from './foretell';
import { namedLog } from '../workshop/todaysNames';

const POINTS = 150;
const HUNDRED = 100;
/** A curve needs so many stretches; so many steps can be chosen from, those with most models first. */
const FEWEST_STRETCHES = 2;
const MOST_STEPS = 40;
const MOST_COMMISSIONS = 8;
const PLACE_MINUTES = 30;

/** What the log shows: whether estimates were right, who gets faster, when the pace is another, where the hours go. */
export async function loadInsights(stores: Stores, now: Date): Promise<LogInsights> {
  const workshop = await loadWorkshop(stores, now);
  const log = await namedLog(stores, workshop);
  await letOthersIn();
  const foretold = foretoldRows(log, workshop, await stores.predictions.list());
  await letOthersIn();
  const into = new Map(minutesIntoSitting(log).map((minutes, index) => [log[index]!.id, minutes]));
  const learning = learningSteps(log, workshop);
  return {
    points: foretold.rows.slice(-POINTS).map(({ row, prediction, actual }) => ({
      at: Date.parse(row.startedAt),
      what: `${stepWords(row)}, ${row.unit}`,
      minutes: actual,
      ...prediction,
    })),
    lastHundred: hitRate(foretold.rows.slice(-HUNDRED)),
    all: hitRate(foretold.rows),
    odd: foretold.odd,
    pending: await isToForetell(stores),
    learning,
    saved: savedPerDoubling(workshop.model.slopeOfAll),
    bySize: groupPaces(foretold.rows, ({ row }) => SIZE_LABELS[row.size].replace(/ \(.*/, '')),
    byHour: groupPaces(foretold.rows, ({ row }) => hourName(new Date(row.startedAt).getHours())).toSorted((a, b) =>
      a.name < b.name ? -1 : 1,
    ),
    byPlace: groupPaces(foretold.rows, ({ row }) => placeName(into.get((row as StoredLogRow).id)!)).toSorted(
      (a, b) => parseInt(a.name, 10) - parseInt(b.name, 10),
    ),
    stages: stageHours(log),
  };
}

function foretoldRows(
  log: readonly StoredLogRow[],
  { odd: oddRows }: Workshop,
  predictions: readonly StoredPrediction[],
): { rows: ForetoldRow[]; odd: number } {
  const known = new Map(predictions.map((prediction) => [prediction.rowId, prediction]));
  const rows: ForetoldRow[] = [];
  let odd = 0;
  for (const row of log) {
    const stored = known.get(row.id);
    const actual = minutesThatCount(row);
    if (!stored || actual === null) continue;
    const isVouched = row.verdict === 'counts' || row.correctedMinutes !== null;
    if (row.verdict === 'left out' || (oddRows.has(row.id) && !isVouched)) odd++;
    else rows.push({ row, actual, prediction: { p10: stored.p10, p50: stored.p50, p80: stored.p80, p90: stored.p90 } });
  }
  return { rows, odd };
}

const stepWords = (row: Pick<StoredLogRow, 'technique' | 'part'>) => workOnWords(row, row.part);

const hourName = (hour: number) => `${String(hour).padStart(2, '0')}:00`;

const placeName = (minutes: number) => {
  const from = Math.floor(minutes / PLACE_MINUTES) * PLACE_MINUTES;
  return `${from} to ${from + PLACE_MINUTES} min`;
};

/** Steps with several stretches, each stretch against the curve that is fitted through them. */
function learningSteps(log: readonly StoredLogRow[], { model, odd }: Workshop): LearningStep[] {
  const sound = log.filter((row) => minutesThatCount(row) !== null && row.verdict !== 'left out' && !odd.has(row.id));
  return [...groupBy(sound, stepKey)]
    .filter(([, rows]) => rows.length >= FEWEST_STRETCHES)
    .map(([key, rows]): LearningStep => {
      const [first] = rows;
      const curve = model.curve(first!);
      let done = 0;
      const points = rows.map((row) => {
        const before = done;
        done += row.models;
        return {
          models: before + (row.models + 1) / 2,
          minutes: minutesThatCount(row)! / row.weight,
          curve: modelMinutes(curve, { done: before, models: row.models, weight: row.models }),
        };
      });
      return {
        key,
        commission: first!.commission,
        unit: first!.unit,
        step: stepWords(first!),
        saved: savedPerDoubling(curve.slope),
        points,
      };
    })
    .sort((a, b) => b.points.at(-1)!.models - a.points.at(-1)!.models)
    .slice(0, MOST_STEPS);
}

/** All commissions together, then those painted last. */
function stageHours(log: readonly StoredLogRow[]): StageHours[] {
  // Read from its end: the commission worked on last comes first.
  const last = [...groupBy(log.toReversed(), ({ commission }) => commission)].slice(0, MOST_COMMISSIONS);
  return [
    { commission: null, minutes: stageMinutes(log) },
    ...last.map(([commission, rows]) => ({ commission, minutes: stageMinutes(rows) })),
  ];
}
