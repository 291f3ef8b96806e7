import { workWords } from '../../core/scheme/model/workWords';
import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { lineSessions } from '../../core/plan/dates/lineSessions';
import { compileLine } from '../../core/line/problem/compileLine';
import { timeOrder } from '../../core/line/timing/timeOrder';
import { wholeCommission, type Selection } from '../../core/plan/selection';
import type { Today, TonightJob } from '../../contract/today';
import { letOthersIn } from '../running/inSlices';
import { plannedOrder } from '../plan/plannedOrder';
import type { Stores } from '../stores/stores';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits } from '../workshop/choice';
import type { Workshop } from '../workshop/loadWorkshop';

/** The coming session as the line on the bench has it, or the line of the first commission that has work, until its end. */
export async function planTonight(stores: Stores, workshop: Workshop, now: Date): Promise<Today['tonight']> {
  const bench = await stores.workshop.bench();
  const candidates: Selection[] = [...(bench ? [bench.selection] : []), ...workshop.commissions.map(({ id }) => wholeCommission(id))];
  for (const selection of candidates) {
    const units = chosenUnits(workshop, selection);
    const built = await lineLeft(workshop, units);
    if (built.jobs.length === 0) continue;
    const order = await plannedOrder(stores, workshop, { selection, units }, built, now);
    await letOthersIn();
    const sessions = lineSessions(built.problem, workshop.house, now.getTime());
    if (!sessions) return null;
    await letOthersIn();
    const indexes = new Map(built.jobs.map((job, index) => [job.id, index]));
    const timed = timeOrder(
      compileLine({ ...built.problem, sessions: sessions.sessions }),
      order.map((id) => indexes.get(id)!),
    );
    if (!timed.fits) return null;
    const [first] = sessions.sessions;
    const at = (minute: number) => sessions.origin + minute * MINUTE_MS;
    const jobs = timed.jobs
      .filter(({ begin }) => begin < first!.to)
      .map(({ id, begin, end }): TonightJob => {
        const job = built.jobs[indexes.get(id)!]!;
        return {
          what: workWords(job, job.partName),
          unitName: job.unitName,
          commissionName: job.commissionName,
          models: job.models.length,
          paintId: job.paintId,
          from: at(begin),
          to: at(Math.min(end, first!.to)),
        };
      });
    return { from: at(first!.from), to: at(first!.to), jobs };
  }
  return null;
}
