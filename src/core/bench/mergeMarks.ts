import type { BenchState, Mark } from './definitions';

export type Marks = ReadonlyMap<string, ReadonlyMap<number, Mark>>;

/** What stands on the models after several runs: for each pass and model the latest mark. */
export function mergeMarks(states: readonly Pick<BenchState, 'marks'>[]): Marks {
  const merged = new Map<string, Map<number, Mark>>();
  for (const { marks } of states) {
    for (const [pass, models] of marks) {
      const known = merged.get(pass) ?? new Map<number, Mark>();
      for (const [model, mark] of models) {
        const other = known.get(model);
        if (!other || other.at <= mark.at) known.set(model, mark);
      }
      merged.set(pass, known);
    }
  }
  return merged;
}

const NONE: ReadonlySet<number> = new Set();

/** Models of a pass that need no more painting under it, misses among them: those wait for a touch-up. */
export function doneModels(marks: Marks, passKey: string): ReadonlySet<number> {
  const models = marks.get(passKey);
  return models ? new Set(models.keys()) : NONE;
}
