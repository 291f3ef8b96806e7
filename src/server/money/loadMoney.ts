import { loadPaintCost } from './loadPaintCost';
import { compareQuote } from '../../core/money/compareQuote';
import { rateOf } from '../../core/money/currency';
import { agreedQuote, type Offer, type UnitWork } from '../../core/money/definitions';
import { payOf } from '../../core/money/payOf';
import { priceWork } from '../../core/money/priceWork';
import { withModels } from '../../core/scheme/authoring/gone';
import { expectedOf, hasOpenCount, modelsOf } from '../../core/scheme/model/definitions';
import { minutesThatCount } from '../../core/log/definitions';
import type { MoneyPicture, MoreModels } from '../../contract/money';
import type { StoredCommission } from '../../core/commission/definitions';
import { InputError } from '../../core/kernel/InputError';
import { NotFoundError } from '../stores/errors';
import { fromTheStart } from '../plan/fromTheStart';
import { atEachStandard } from '../plan/atEachStandard';
import type { Stores } from '../stores/stores';
import { findCommission, loadWorkshop, workUnit, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';
import { undoneWordsOf } from '../plan/undoneNow';
import { allUnits } from '../plan/allUnits';
import { hoursStanding, workedStages, workedUnits } from './workedHours';

/** A commission, open or closed, with its units as the workshop of today would paint them. */
export async function findPriced(
  stores: Stores,
  id: string | undefined,
  now: Date,
): Promise<{ workshop: Workshop; commission: StoredCommission; units: WorkUnit[] }> {
  const commission = await findCommission(stores, id);
  const workshop = await loadWorkshop(stores, now);
  const units = (await stores.commissions.units(commission.id)).map((unit) => workUnit(unit, commission));
  return { workshop, commission, units };
}

/** All about the price of a commission: what a quote would be now, those that were sent, and what the work pays. */
export async function loadMoney(stores: Stores, id: string | undefined, now: Date): Promise<MoneyPicture> {
  const { workshop, commission, units } = await findPriced(stores, id, now);
  const { terms, revision } = await stores.quotes.terms(commission.id);
  const quotes = await stores.quotes.ofCommission(commission.id);
  const changes = await stores.scope.ofCommission(commission.id);
  const rate = rateOf(commission);
  const standards = await atEachStandard(stores, workshop, commission, units, now);
  const agreed = agreedQuote(quotes);
  const worked = await workedUnits(stores, workshop, commission, units, now);
  const { otherMinutes } = agreed?.offer.terms ?? terms;
  const hours = await hoursStanding(stores, workshop, commission, worked, otherMinutes, now);
  return {
    commission,
    rate,
    terms,
    revision,
    openCounts: units.filter(hasOpenCount).map((unit) => ({ name: unit.name, counted: unit.counted!, expected: expectedOf(unit) })),
    units: standards.find(({ standard }) => standard === commission.standard)!.units.map(sent),
    standards: standards.map(({ standard, units: its }) => ({ standard, all: sent(allUnits(its)) })),
    quotes,
    lastTo: await stores.testRounds.lastTo(commission.id),
    changes,
    hours,
    undone: await undoneWordsOf(stores, commission, now),
    since: await loggedSince(stores, workshop, quotes.at(-1)?.writtenAt ?? null),
    paint: await loadPaintCost(stores, workshop, commission.currency, units),
    agreed: agreed && {
      pay: payOf(agreed, changes, hours, rateOf(agreed.offer)),
      comparison: compareQuote(agreed, worked.units, workedStages(workshop, commission, units, worked)),
    },
  };
}

/** What was logged since a moment against what was foretold of it, minutes of all together. */
async function loggedSince({ predictions }: Stores, { log }: Workshop, at: string | null): Promise<MoneyPicture['since']> {
  if (at === null) return null;
  const rows = new Map(log.filter(({ startedAt }) => Date.parse(startedAt) > Date.parse(at)).map((row) => [row.id, row]));
  let stretches = 0;
  let actual = 0;
  let expected = 0;
  for (const { rowId, p50 } of await predictions.ofRows([...rows.keys()])) {
    const row = rows.get(rowId);
    const minutes = row && row.verdict !== 'left out' ? minutesThatCount(row) : null;
    if (minutes === null) continue;
    stretches++;
    actual += minutes;
    expected += p50;
  }
  return { stretches, more: expected > 0 ? actual / expected - 1 : 0 };
}

/** As it goes over the wire; a hundredth of a minute is no money. */
const sent = ({ unitId, name, models, likely, draws, stages }: UnitWork): UnitWork => ({
  unitId,
  name,
  models,
  likely,
  draws: draws.map((minutes) => Math.round(minutes * 100) / 100),
  stages,
});

/** What a quote of the commission would say now. */
export async function offerNow(stores: Stores, id: string | undefined, now: Date): Promise<{ commission: StoredCommission; offer: Offer }> {
  const { workshop, commission, units } = await findPriced(stores, id, now);
  const { terms } = await stores.quotes.terms(commission.id);
  const { name, client, dueOn, standard, hourlyRateMinor, currency } = commission;
  const work = await fromTheStart(stores, workshop, { commissionId: commission.id, paidFor: standard, units }, standard, now);
  const price = priceWork(work.units.map(sent), terms, rateOf(commission));
  return { commission, offer: { name, client, dueOn, standard, hourlyRateMinor, currency, terms, price } };
}

const MOST_MORE = 500;

/** The work with so many more models of a unit, or fewer where `more` is negative. */
export async function loadMoreModels(
  stores: Stores,
  id: string | undefined,
  { unitId, more }: { unitId: string; more: number },
  now: Date,
): Promise<MoreModels> {
  const { workshop, commission, units } = await findPriced(stores, id, now);
  const unit = units.find((each) => each.id === unitId);
  if (!unit) throw new NotFoundError(`There is no unit ${unitId} in ${commission.name}: reload the page.`);
  const models = modelsOf(unit) + more;
  if (!Number.isInteger(more) || Math.abs(more) > MOST_MORE || models < 1)
    throw new InputError('more', more, `give a whole number of models up to ${MOST_MORE} that leaves at least one`);
  const grown: WorkUnit = withModels(unit, models);
  const asked = { commissionId: commission.id, paidFor: commission.standard, units: units.map((each) => (each === unit ? grown : each)) };
  return { unitId, models, units: (await fromTheStart(stores, workshop, asked, commission.standard, now)).units.map(sent) };
}
