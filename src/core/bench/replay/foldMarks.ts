import { coatOfKey } from '../../scheme/model/halves';
import { setupId } from '../../scheme/passes/setups';
import { passKeyOf, type BenchEvent, type BenchMarks, type Look, type Mark, type WorkFacts } from '../definitions';
import { effectiveEvents } from './effectiveEvents';
import { FactsBook, type KnownFacts } from './factsBook';

export const noMarks = (): BenchMarks => ({
  marks: new Map(),
  aside: new Map(),
  notes: [],
  trouble: [],
  looked: new Map(),
  putOff: new Map(),
  keptMixes: new Map(),
  inspected: new Map(),
});

/** What stands on the models of several units together: no two of them share a pass. */
export const mergeMarks = (all: readonly BenchMarks[]): BenchMarks => ({
  marks: new Map(all.flatMap(({ marks }) => [...marks])),
  aside: new Map(all.flatMap(({ aside }) => [...aside])),
  notes: all.flatMap(({ notes }) => notes),
  trouble: all.flatMap(({ trouble }) => trouble),
  looked: new Map(all.flatMap(({ looked }) => [...looked])),
  putOff: new Map(all.flatMap(({ putOff }) => [...putOff])),
  keptMixes: new Map(all.flatMap(({ keptMixes }) => [...keptMixes])),
  inspected: new Map(all.flatMap(({ inspected }) => [...inspected])),
});

interface MarksBefore {
  /** Marks to go on from; they are not changed. */
  before?: BenchMarks;
  knownFacts?: KnownFacts;
}

/** What stands on the models: for each pass and model the latest that was done. */
export function foldMarks(events: readonly BenchEvent[], { before = noMarks(), knownFacts }: MarksBefore = {}): BenchMarks {
  const folded: BenchMarks = {
    marks: new Map([...before.marks].map(([key, models]) => [key, new Map(models)])),
    aside: new Map([...before.aside].map(([unit, models]) => [unit, new Map(models)])),
    notes: [...before.notes],
    trouble: [...before.trouble],
    looked: new Map([...before.looked].map(([key, models]) => [key, new Set(models)])),
    putOff: new Map(before.putOff),
    keptMixes: new Map([...before.keptMixes].map(([unit, pots]) => [unit, new Map(pots)])),
    inspected: new Map(
      [...before.inspected].map(([unit, looks]) => [unit, new Map([...looks].map(([look, models]) => [look, new Map(models)]))]),
    ),
  };
  const book = new FactsBook(events, knownFacts);
  for (const event of effectiveEvents(events)) {
    const key = passKeyOf(event);
    take(folded, event, key, book.of(event));
  }
  return folded;
}

function take(folded: BenchMarks, event: BenchEvent, key: string | null, facts: WorkFacts | undefined): void {
  switch (event.kind) {
    case 'done':
      return markDone(folded, event, key!, facts);
    case 'kept':
      // Nothing was painted then: it is dry, and no brush was used.
      return markDone(folded, event, key!, undefined);
    case 'left-out':
      return markDone(folded, event, key!, undefined, { leftOut: true });
    case 'touched-up':
      return touchUp(folded, event, key!);
    case 'missed':
      return miss(folded, event, key!);
    case 'reopened':
      for (const model of event.models) reopen(folded.marks, key!, model);
      return;
    case 'looked':
      for (const model of event.models) entry(folded.looked, key!, () => new Set<number>()).add(model);
      return;
    case 'put-off':
      folded.putOff.set(key!, Date.parse(event.at));
      return;
    case 'mix-kept':
      if (facts?.paintId) entry(folded.keptMixes, event.unit!, () => new Map<string, number>()).set(facts.paintId, Date.parse(event.at));
      return;
    case 'inspected': {
      const looks = entry(folded.inspected, event.unit!, () => new Map<Look, Map<number, number>>());
      const models = entry(looks, event.note as Look, () => new Map<number, number>());
      for (const model of event.models) models.set(model, Date.parse(event.at));
      return;
    }
    case 'set-aside':
      for (const model of event.models) entry(folded.aside, event.unit!, () => new Map<number, string>()).set(model, event.note);
      return;
    case 'brought-back':
      for (const model of event.models) folded.aside.get(event.unit!)?.delete(model);
      return;
    case 'noted':
      folded.notes.push({
        eventId: event.id,
        at: Date.parse(event.at),
        unit: event.unit,
        passKey: key,
        models: event.models,
        text: event.note,
      });
      return;
    default:
      return;
  }
}

function entry<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  if (!map.has(key)) map.set(key, make());
  return map.get(key)!;
}

/** One model tapped twice, on two devices say, stays as it was tapped first. */
function markDone(
  folded: BenchMarks,
  event: BenchEvent,
  key: string,
  facts: WorkFacts | undefined,
  more: Pick<Mark, 'leftOut'> = {},
): void {
  const models = entry(folded.marks, key, () => new Map<number, Mark>());
  for (const model of event.models) {
    if (models.has(model)) continue;
    models.set(model, {
      at: Date.parse(event.at),
      dryMinutes: facts?.dryMinutes ?? 0,
      handleMinutes: facts?.handleMinutes ?? 0,
      setupId: facts ? setupId({ ...facts, id: event.step! }, facts.paintId) : '',
      missed: null,
      ...more,
    });
    folded.looked.get(key)?.delete(model);
  }
}

/** A coat opened again is open in both its halves; of a whole coat, one half opened leaves the other. */
function reopen(marks: BenchMarks['marks'], key: string, model: number): void {
  const { whole, pairs } = coatOfKey(key);
  const pair = pairs.find((each) => each.includes(key));
  if (key === whole) for (const half of pairs.flat()) marks.get(half)?.delete(model);
  const mark = marks.get(whole)?.get(model);
  if (pair && mark) for (const half of pair) entry(marks, half, () => new Map<number, Mark>()).set(model, mark);
  marks.get(whole)?.delete(model);
  marks.get(key)?.delete(model);
}

/** The touched-up place is wet again. */
function touchUp(folded: BenchMarks, event: BenchEvent, key: string): void {
  for (const model of event.models) {
    const mark = folded.marks.get(key)?.get(model);
    if (mark && !mark.leftOut) folded.marks.get(key)!.set(model, { ...mark, at: Date.parse(event.at), missed: null });
  }
}

/** A miss leaves the model as dry as it was. */
function miss(folded: BenchMarks, event: BenchEvent, key: string): void {
  const missed: number[] = [];
  for (const model of event.models) {
    const mark = folded.marks.get(key)?.get(model);
    if (!mark || mark.leftOut) continue;
    missed.push(model);
    folded.marks.get(key)!.set(model, { ...mark, missed: { at: Date.parse(event.at), eventId: event.id, note: event.note } });
  }
  if (missed.length > 0) folded.trouble.push({ passKey: key, unit: event.unit!, models: missed, note: event.note });
}

/**
 * What stands on the models of these passes, whether their coats were painted whole or in halves: a whole coat is both its halves,
 * and two halves are the coat.
 */
export function marksOn(passKeys: readonly string[], state: BenchMarks): BenchMarks {
  const marks = new Map(state.marks);
  for (const key of passKeys) {
    const { whole, pairs } = coatOfKey(key);
    const more = key === whole ? pairs.map((pair) => bothHalves(state.marks, pair)) : [state.marks.get(whole) ?? new Map<number, Mark>()];
    const missing = more.flatMap((each) => [...each]).filter(([model]) => !state.marks.get(key)?.has(model));
    if (missing.length > 0) marks.set(key, new Map([...missing, ...(state.marks.get(key) ?? [])]));
  }
  return { ...state, marks };
}

/** Models that carry both halves, under the later of the two marks. */
function bothHalves(marks: BenchMarks['marks'], [one, other]: [string, string]): Map<number, Mark> {
  const both = new Map<number, Mark>();
  for (const [model, mark] of marks.get(one) ?? []) {
    const second = marks.get(other)?.get(model);
    if (second) both.set(model, second.at > mark.at ? second : mark);
  }
  return both;
}

const NONE: ReadonlySet<number> = new Set();

/** Models of a pass that need no more painting under it, misses among them: those wait for a touch-up. */
export function doneModels(marks: BenchMarks['marks'], passKey: string): ReadonlySet<number> {
  const models = marks.get(passKey);
  return models ? new Set(models.keys()) : NONE;
}
