import { DAY_MS } from '../kernel/timeUnits';
import type { BenchMarks } from '../bench/definitions';
import { doneModels } from '../bench/replay/foldMarks';
import type { ScopeChange } from './scope';
import type { RosterUnit } from '../plan/build/roster';
import type { HouseRules } from '../scheme/model/houseRules';
import { passesOf, type Pass } from '../scheme/passes/passes';
import { reconcile, type OpenEnd } from './reconcile';

/** Something of a commission that is not done: what it is, of which unit, and where it is settled. */
export interface Undone extends OpenEnd {
  /** Null for the commission as a whole. */
  unitId: string | null;
  unit: string;
  /** `left-out` was decided at the bench: it is said, and waits for nobody. */
  kind: 'left' | 'left-out' | 'open' | 'curing' | 'scope';
  /** When it settles itself, UTC ms; null where somebody must. */
  until: number | null;
}

interface Asked {
  units: readonly RosterUnit[];
  marks: BenchMarks;
  house: HouseRules;
  changes: readonly ScopeChange[];
  /** UTC ms. */
  now: number;
}

/**
 * Everything that stands between a commission and its hand-over: steps that are not painted, whatever nobody paints as things stand,
 * varnish that cures, and changes of scope of which nobody has said what they cost.
 */
export function undoneOf({ units, marks, house, changes, now }: Asked): Undone[] {
  const ofUnit = (unit: RosterUnit): Undone[] => {
    const passes = passesOf(unit, unit.standard, house);
    const of = { unitId: unit.id, unit: unit.name };
    const left = passes.reduce(
      (sum, { key, models }) => sum + models.filter((model) => !doneModels(marks.marks, key).has(model)).length,
      0,
    );
    const without = passes.reduce(
      (sum, { key, models }) => sum + models.filter((model) => marks.marks.get(key)?.get(model)?.leftOut).length,
      0,
    );
    const curesUntil = curingUntil(passes, marks, now);
    return [
      ...(left > 0
        ? [
            {
              ...of,
              kind: 'left' as const,
              what: `${left} model-${left === 1 ? 'step' : 'steps'} not painted`,
              at: 'bench' as const,
              until: null,
            },
          ]
        : []),
      ...(without > 0
        ? [
            {
              ...of,
              kind: 'left-out' as const,
              what: `${without} model-${without === 1 ? 'step' : 'steps'} left out at the bench`,
              at: 'bench' as const,
              until: null,
            },
          ]
        : []),
      ...reconcile(unit, marks, house).open.map((end) => ({ ...of, ...end, kind: 'open' as const, until: null })),
      ...(curesUntil === null
        ? []
        : [{ ...of, kind: 'curing' as const, what: 'varnish still curing', at: 'bench' as const, until: curesUntil }]),
    ];
  };
  const scope = changes
    .filter(({ priceMinor }) => priceMinor === null)
    .map(({ unitId, unit, subject, before, after }): Undone => ({
      unitId,
      unit,
      kind: 'scope',
      what: `change without a price: ${subject} ${before} → ${after}`,
      at: 'intake',
      until: null,
    }));
  return [...units.flatMap(ofUnit), ...scope];
}

/** Varnish cures for a day; the last that is on decides. Null where none cures. */
function curingUntil(passes: readonly Pass[], { marks }: BenchMarks, now: number): number | null {
  const at = passes
    .filter(({ step }) => step.technique === 'varnish')
    .flatMap(({ key }) => [...(marks.get(key)?.values() ?? [])].filter((mark) => !mark.leftOut).map((mark) => mark.at + DAY_MS));
  const last = Math.max(0, ...at);
  return last > now ? last : null;
}

/** In a few words, as it is kept with the hand-over. */
export const undoneWords = ({ unit, what }: Pick<Undone, 'unit' | 'what'>): string => (unit === '' ? what : `${unit}: ${what}`);
