import { DAY_MS } from '../../core/kernel/timeUnits';
import { minutesBetween, type SessionRules } from '../../core/plan/dates/benchSessions';
import type { Away } from '../../core/scheme/model/houseRules';
import type { AwayRead } from '../../contract/calendar';
import { benchEstimate } from '../plan/benchEstimate';
import { Memory } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { loadWorkshop, type Workshop } from '../workshop/loadWorkshop';

const YEAR_DAYS = 400;

/** What taking times out of the sessions would do to them and to the dates; nothing is written. */
export async function previewAway(stores: Stores, read: readonly Away[], now: Date): Promise<AwayRead> {
  const workshop = await loadWorkshop(stores, now);
  const { house } = workshop;
  const known = new Map(house.away.map((each) => [each.uid, each]));
  const isOther = (each: Away) => JSON.stringify(known.get(each.uid)) !== JSON.stringify(each);
  const away = [...new Map([...house.away, ...read].map((each) => [each.uid, each])).values()];
  const minutes = (rules: SessionRules) => minutesBetween(rules, now.getTime(), now.getTime() + YEAR_DAYS * DAY_MS);
  const before = await safeDates(stores, workshop, now);
  const after = await safeDates(stores, { ...workshop, house: { ...house, away }, memory: new Memory() }, now);
  return {
    away,
    added: read.filter(({ uid }) => !known.has(uid)).length,
    changed: read.filter((each) => known.has(each.uid) && isOther(each)).length,
    minutes: minutes(house) - minutes({ ...house, away }),
    dates: before
      .map(({ name, at, isOpen }, index) => ({ name, before: at, after: after[index]!.at, isOpen }))
      .filter(({ isOpen }) => isOpen),
  };
}

async function safeDates(stores: Stores, workshop: Workshop, now: Date) {
  const estimate = await benchEstimate(stores, workshop, now);
  const outlooks = await estimate.outlooks();
  return workshop.commissions.map(({ id, name }) => ({
    name,
    at: outlooks.get(id)?.safeAt ?? null,
    isOpen: (estimate.commissions.get(id)?.likely ?? 0) > 0,
  }));
}
