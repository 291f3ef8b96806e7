import { passKeyOf, type BenchEvent } from '../definitions';
import { effectiveEvents } from './effectiveEvents';

/** When each model was painted under each pass, and what was painted again there later. */
export interface PaintedPlaces {
  /** Pass key, then model: when it was painted, UTC ms; touching it up later leaves that as it was. */
  painted: Map<string, Map<number, number>>;
  /** Places that were touched up though nothing had been left out there: something else had marred them. */
  repairs: Repair[];
}

export interface Repair {
  passKey: string;
  model: number;
  /** UTC ms. */
  at: number;
}

/** What was painted when, from the events of one unit or of several, in the order they came. */
export function paintedPlaces(events: readonly BenchEvent[]): PaintedPlaces {
  const painted: PaintedPlaces['painted'] = new Map();
  const missed = new Set<string>();
  const repairs: Repair[] = [];
  for (const event of effectiveEvents(events)) {
    const passKey = passKeyOf(event);
    if (passKey === null) continue;
    const models = painted.get(passKey) ?? new Map<number, number>();
    painted.set(passKey, models);
    const at = Date.parse(event.at);
    for (const model of event.models) {
      const place = `${passKey} ${model}`;
      if ((event.kind === 'done' || event.kind === 'kept') && !models.has(model)) models.set(model, at);
      else if (event.kind === 'reopened') models.delete(model);
      else if (event.kind === 'missed') missed.add(place);
      else if (event.kind === 'touched-up' && !missed.delete(place) && models.has(model)) repairs.push({ passKey, model, at });
    }
  }
  return { painted, repairs };
}
