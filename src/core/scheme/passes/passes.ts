import { coatKey } from '../../kernel/ids';
import { HALF_SHARE, halvesOf, idOfHalf, type Half } from '../model/halves';
import type { HouseRules } from '../model/houseRules';
import { schoolsOf } from '../model/schoolsOf';
import { modelsNamed, modelsTaking } from '../model/whoTakes';
import type { Care, Part, Standard, Step, Unit } from '../model/definitions';
import { potIdsOf } from '../model/pots';
import { overWords } from '../model/workWords';

/** Models of a pass that take the same pot. */
export interface Dip {
  /** A paint or a mix; null for no paint, or none that anybody has named yet. */
  potId: string | null;
  /** It is what the step says for all whose option says nothing else. */
  isUsual: boolean;
  /** Models of the unit, 1-based, ascending. */
  models: number[];
}

/**
 * The unit of work: one coat of one step, on every model of the unit that takes it. Its key stays the same however
 * the unit is split into trays and its models dealt out, so what was logged stays true.
 */
export interface Pass {
  /** `stepId#coat`, coat from 1; with the half behind the step's id where the coat is painted in two. */
  key: string;
  unitId: string;
  step: Step;
  coat: number;
  /** Null for a whole coat. */
  half: Half | null;
  /** Null for a step that goes over everything. */
  part: Part | null;
  /** What it is painted on, as it is called: its part, or the parts that it goes over; null for everything. */
  where: string | null;
  /** Place of the part from the deepest (0) to the outermost; -1 for a step that goes over everything. */
  depth: number;
  /** Models of the unit that take it, 1-based, ascending. */
  models: number[];
  /** The same models by what they are painted with; at least one. */
  dips: Dip[];
}

export const passKey = (stepId: string, coat: number, half: Half | null = null): string => coatKey(idOfHalf(stepId, half), coat);

/** A part that is hard to reach takes so much longer, until the log says better. */
const HARD_REACH = 1.25;

/** What care makes of the minutes, until the log says better. */
export const CARE_EFFORT: Readonly<Record<Care, number>> = { quick: 0.5, careful: 2 };

/** How many easy whole coats of its technique a model of the pass counts as, whoever it is: each transfer is one. */
export const effortOf = ({ part, half, step }: EffortOf): number =>
  (part?.reach === 'hard' ? HARD_REACH : 1) *
  (half === null ? 1 : HALF_SHARE) *
  (step.own?.effort ?? 1) *
  (step.pieces ?? 1) *
  (step.care ? CARE_EFFORT[step.care] : 1);

interface EffortOf extends Pick<Pass, 'part' | 'half'> {
  step: Pick<Step, 'own' | 'pieces' | 'care'>;
}

/** All passes of a unit for the standard paid for, in the order entered: the parts' strips, then the steps over everything. */
export function passesOf(unit: Unit, standard: Standard, house: Pick<HouseRules, 'schools'>): Pass[] {
  const { scheme } = unit;
  const schools = schoolsOf(unit, house);
  const named = modelsNamed(scheme);
  const potIds = potIdsOf(scheme);
  const ofStep = (step: Step, part: Part | null, depth: number): Pass[] => {
    const models = modelsTaking(unit, step, standard);
    if (models.length === 0) return [];
    const dips = dipsOf(step, models, named, potIds);
    return Array.from({ length: step.coats }, (_, index) => index + 1).flatMap((coat) =>
      halvesOf(step, schools).map((half) => ({
        key: passKey(step.id, coat, half),
        unitId: unit.id,
        step,
        coat,
        half,
        part,
        where: part?.name ?? overWords(step.over, scheme.parts),
        depth,
        models,
        dips,
      })),
    );
  };
  return [
    ...scheme.parts.flatMap((part, depth) => part.steps.flatMap((step) => ofStep(step, part, depth))),
    ...scheme.allOver.flatMap((step) => ofStep(step, null, -1)),
  ];
}

/** Who takes which pot: the models of an option with another paint take that, all others the usual one. */
function dipsOf(
  step: Step,
  models: readonly number[],
  named: ReadonlyMap<string, ReadonlySet<number>>,
  potIds: ReadonlyMap<string, string>,
): Dip[] {
  const potOf = (paint: string | null, mix: string | null) => (mix === null ? paint : (potIds.get(mix) ?? null));
  const usual = potOf(step.paint, step.mix);
  if (step.paintFor.length === 0) return [{ potId: usual, isUsual: true, models: [...models] }];
  const byPot = new Map<string | null, number[]>();
  for (const model of models) {
    const other = step.paintFor.find(({ option }) => named.get(option)?.has(model));
    const pot = other === undefined ? usual : 'mix' in other ? potOf(null, other.mix) : other.paint;
    byPot.set(pot, [...(byPot.get(pot) ?? []), model]);
  }
  return [...byPot].map(([potId, own]) => ({ potId, isUsual: potId === usual, models: own }));
}
