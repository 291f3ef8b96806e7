import { STAGES, type Stage } from '../time/check/insights';
import type { Quote } from './definitions';

/** What went into a unit, and what is left of it; minutes. */
export interface UnitHours {
  unitId: string;
  name: string;
  /** Hands-on with set-ups, as logged. */
  took: number;
  /** At the bench, likely. */
  left: number;
}

export interface QuoteComparison {
  /** Units of the quote in its order, then those that came later. Quoted minutes are null for these. */
  units: (UnitHours & { quoted: number | null; safe: number | null })[];
  /** Hands-on minutes. */
  stages: { stage: Stage; quoted: number; took: number; left: number }[];
}

/** The quote against what its units took, by unit and by stage. */
export function compareQuote(
  { offer }: Pick<Quote, 'offer'>,
  units: readonly UnitHours[],
  stages: Record<'took' | 'left', Record<Stage, number>>,
): QuoteComparison {
  const actual = new Map(units.map((unit) => [unit.unitId, unit]));
  const quoted = new Set(offer.price.units.map(({ unitId }) => unitId));
  return {
    units: [
      ...offer.price.units.map(({ unitId, name, likely, safe }) => ({
        ...(actual.get(unitId) ?? { unitId, name, took: 0, left: 0 }),
        quoted: likely,
        safe,
      })),
      ...units.filter(({ unitId }) => !quoted.has(unitId)).map((unit) => ({ ...unit, quoted: null, safe: null })),
    ],
    stages: STAGES.map((stage) => ({
      stage,
      quoted: offer.price.units.reduce((sum, unit) => sum + unit.stages[stage], 0),
      took: stages.took[stage],
      left: stages.left[stage],
    })),
  };
}
