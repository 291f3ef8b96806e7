import { boolean, object, type InferType } from 'yup';
import { lineSessions } from '../../core/plan/dates/lineSessions';
import { id, list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { readOrder } from '../../core/line/problem/readOrder';
import { compileLine } from '../../core/line/problem/compileLine';
import { SESSION_ROUNDING } from '../../core/line/definitions';
import { timeOrder } from '../../core/line/timing/timeOrder';
import { amountsSaid } from '../../core/paint/amountWords';
import type { JobInfo } from '../../core/plan/build/lineJobs';
import { legsOf } from '../../core/plan/build/legs';
import type { LegSheet } from '../../contract/legSheet';
import { paintStanding } from './paintStanding';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, selectionSchema } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';

export const legSheetSchema = object({ selection: selectionSchema, order: list(id(), 100_000), inSessions: boolean().required() });

/** The legs of an order as they are printed, timed in the painter's sessions or in one session. */
export async function loadLegSheet(
  stores: Stores,
  { selection, order: ids, inSessions }: InferType<typeof legSheetSchema>,
  now: Date,
): Promise<LegSheet> {
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, selection);
  const built = await lineLeft(workshop, units);
  if (built.jobs.length === 0) throw new InputError('order', ids, 'nothing is left to paint here: add steps to a scheme first');
  const order = readOrder(built.problem, ids);
  const jobOf = new Map(built.jobs.map((job) => [job.id, job]));
  const sessions = inSessions ? lineSessions(built.problem, workshop.house, now.getTime()) : null;
  const timed = timeOrder(compileLine({ ...built.problem, ...(sessions && { sessions: sessions.sessions }) }), order);
  if (!timed.fits)
    throw new InputError('inSessions', inSessions, 'the sessions of House rules do not hold this line: print it as one session');
  const { amounts, left } = await paintStanding(stores, workshop);
  const firstTray = new Map<string, string>();
  for (const { id: jobId } of timed.jobs) {
    const { passKey, trayId } = jobOf.get(jobId)!;
    if (!firstTray.has(passKey)) firstTray.set(passKey, trayId);
  }
  const mixed = new Set<string>();
  /** What is mixed for all of a unit is said where it is mixed first. */
  const withAmount = (job: JobInfo): JobInfo => {
    const key = `${job.unitId} ${job.paintId}`;
    const said = amountsSaid(amounts.get(job.unitId)!, workshop.paints, left).find(
      ({ potId, passKey }) =>
        potId === job.paintId && (passKey === null ? !mixed.has(key) : passKey === job.passKey && job.trayId === firstTray.get(passKey)),
    );
    if (!said) return job;
    mixed.add(key);
    return { ...job, recipe: [...job.recipe, said.passKey === null ? `mix ${said.text}` : said.text, ...(said.short ? [said.short] : [])] };
  };
  const sessionOf = (begin: number) => sessions?.sessions.findLastIndex(({ from }) => from <= begin + SESSION_ROUNDING) ?? 0;
  return {
    commissions: workshop.commissions.filter(({ id: each }) => units.some((unit) => unit.commissionId === each)),
    totals: timed.totals,
    sessions,
    trays: built.trays,
    legs: legsOf(built, timed).map(({ first, ...leg }) => ({
      ...leg,
      jobs: leg.jobs.map(withAmount),
      timed: timed.jobs.slice(first, first + leg.jobs.length).map(({ begin }) => ({ begin, session: sessionOf(begin) })),
    })),
  };
}
