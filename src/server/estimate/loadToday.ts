import { dryingModels } from '../../core/bench/benchView';
import { replayBench } from '../../core/bench/replayBench';
import { benchSessions, endOfDay, sessionMinutes } from '../../core/calendar/benchSessions';
import { hasOpenCount, hasScheme, modelsOf } from '../../core/scheme/definitions';
import { outlook, type DateOutlook } from '../../core/time/forecast';
import type { CommissionEstimate } from '../../core/views/estimate';
import type { DryingRow, Today, TodayCommission } from '../../core/views/today';
import { loadPicture, loadTimeModel, type Picture } from '../commissions/loadPicture';
import type { Stores } from '../stores';
import { estimateCommissions } from './estimateCommission';

const WEEK_MS = 7 * 86_400_000;

/** Every commission with its standing, in the order of the dates. */
export async function loadToday(stores: Stores, now: Date): Promise<Today> {
  const model = await loadTimeModel(stores, now);
  const pictures = await Promise.all((await stores.commissions.list()).map((commission) => loadPicture(stores, commission.id, now, model)));
  const house = await stores.houseRules.load();
  const estimates = await estimateCommissions(pictures);
  const outlooks = outlook(
    estimates.map(({ left }, index) => ({
      left,
      sessionMinutes: sessionMinutes(benchSessions(house.sessions, now.getTime(), endOfDay(pictures[index]!.commission.dueOn))),
    })),
  );
  return {
    commissions: pictures.map((picture, index) => describe(picture, estimates[index]!.estimate, outlooks[index]!, now)),
    sessions: benchSessions(house.sessions, now.getTime(), now.getTime() + WEEK_MS),
  };
}

function describe(
  picture: Picture,
  { passes: _passes, ...estimate }: CommissionEstimate,
  dateOutlook: DateOutlook,
  now: Date,
): TodayCommission {
  const { commission, units, runs } = picture;
  const states = runs.map(({ run, events }) => ({ run, state: replayBench(run.jobs, events) }));
  return {
    commission,
    models: units.reduce((sum, unit) => sum + modelsOf(unit), 0),
    units: units.length,
    estimate,
    outlook: dateOutlook,
    openCounts: units.filter(hasOpenCount).map((unit) => unit.name),
    waitingTestModels: units.filter((unit) => unit.testModel === 'waiting').map((unit) => unit.name),
    unitsWithoutScheme: units.filter((unit) => !hasScheme(unit)).map((unit) => unit.name),
    drying: dryingRows(states, now),
    hasOpenRun: runs.some(({ run }) => run.closedAt === null),
    lastWorkedAt: states.reduce<number | null>(
      (latest, { state }) => (state.lastAt !== null && state.lastAt > (latest ?? 0) ? state.lastAt : latest),
      null,
    ),
  };
}

function dryingRows(states: { run: Picture['runs'][number]['run']; state: ReturnType<typeof replayBench> }[], now: Date): DryingRow[] {
  const rows = new Map<string, DryingRow>();
  for (const { run, state } of states) {
    for (const { job, dryAt } of dryingModels(run, state, now.getTime())) {
      const info = run.jobs.find((entry) => entry.id === job)!;
      const row = rows.get(job);
      if (row) {
        row.models += 1;
        row.lastDryAt = Math.max(row.lastDryAt, dryAt);
      } else
        rows.set(job, {
          unitName: info.unitName,
          what: info.partName ?? 'everything',
          paintId: info.paintId,
          models: 1,
          firstDryAt: dryAt,
          lastDryAt: dryAt,
        });
    }
  }
  return [...rows.values()];
}
