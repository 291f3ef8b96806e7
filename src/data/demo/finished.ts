import type { BenchEvent } from '../../core/bench/definitions';
import type { Commission } from '../../core/commission/definitions';
import { NO_FINISHING, type Finishing } from '../../core/finish/definitions';
import { wholeEvent } from '../../core/bench/wholeEvent';
import { coatKey, readCoatKey } from '../../core/kernel/ids';
import { DAY_MS, HOUR_MS } from '../../core/kernel/timeUnits';
import type { Unit } from '../../core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../core/scheme/model/houseRules';
import { passesOf } from '../../core/scheme/passes/passes';

/** Before the pots were read, ten days ago: what was painted then is in no account of theirs. */
const PAINTED_DAYS_AGO = 11;
const VARNISHED_HOURS_AGO = 14;
const FOUND_HOURS_AGO = 18;

/** What was found when all of it was looked over: unit, part, model, note. */
const FOUND: [unit: string, part: string, model: number, note: string][] = [
  ['Regatta rowers', 'Cap', 3, 'spatter on the peak'],
  ['Regatta rowers', 'Cap', 5, ''],
  ['Regatta rowers', 'Shirt', 4, 'bare under the arm'],
];

interface Finished {
  commission: Commission;
  units: Unit[];
}

/** A commission at its end: all of it painted, a few spots found, varnished last night, half packed for a long way. */
export function finishedEvents({ commission, units }: Finished, now: Date, newId: () => string): BenchEvent[] {
  const at = (hoursAgo: number) => new Date(now.getTime() - hoursAgo * HOUR_MS).toISOString();
  const passes = units.flatMap((unit) => passesOf(unit, commission.standard, DEFAULT_HOUSE_RULES));
  const painted = passes.map((pass): BenchEvent => {
    const isVarnish = pass.step.technique === 'varnish';
    return wholeEvent({
      id: newId(),
      // How long any of it took was never measured: it is no part of what the log teaches.
      kind: isVarnish ? 'done' : 'kept',
      at: isVarnish ? at(VARNISHED_HOURS_AGO) : new Date(now.getTime() - PAINTED_DAYS_AGO * DAY_MS).toISOString(),
      unit: pass.unitId,
      ...readCoatKey(pass.key),
      models: pass.models,
      minutes: isVarnish ? 0 : null,
    });
  });
  const found = FOUND.flatMap(([unitName, part, model, note]): BenchEvent[] => {
    const unit = units.find(({ name }) => name === unitName)!;
    const [step] = unit.scheme.parts.find(({ name }) => name === part)!.steps;
    const missed = { id: newId(), kind: 'missed' as const, at: at(FOUND_HOURS_AGO), unit: unit.id, models: [model], note };
    return [wholeEvent({ ...missed, ...readCoatKey(coatKey(step!.id, 1)) })];
  });
  return [...painted, ...found];
}

export const finishedEnd = ([rowers, boats]: readonly Unit[], newId: () => string): Finishing => ({
  ...NO_FINISHING,
  delivery: {
    transitDays: 9,
    carrierDays: [0, 3],
    carrier: 'Dune road parcels',
    customs: 'Hand-painted plastic models, a prize, no commercial value.',
  },
  boxes: [{ id: newId(), name: 'Box 1', layers: [{ id: newId(), unitId: boats!.id, models: 3 }] }],
  returns: [
    { id: newId(), kind: 'lent', what: 'Photograph of the regatta', count: 1, packed: 0 },
    { id: newId(), kind: 'spare', what: `Unpainted rower, like ${rowers!.name}`, count: 1, packed: 1 },
  ],
});
