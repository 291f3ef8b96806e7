import type { HouseRules } from '../scheme/model/houseRules';
import { passesOf, type Pass } from '../scheme/passes/passes';
import { SURFACE_CM2, type Mix, type Scheme, type Standard, type Unit } from '../scheme/model/definitions';
import { potIdsOf } from '../scheme/model/pots';
import { inDrops } from '../scheme/model/recipe';
import { coatMl, DROP_ML, FILMS, MIXED_OVER, PALETTE_ML, type FilmFactors, type FilmKind } from './films';

/** Work that takes something out of a pot, or out of a mix. */
export interface PotUse {
  passKey: string;
  /** A paint, or the pot that a mix is. */
  potId: string;
  /** Models that take it and do not have it yet. */
  models: number[];
  /** Without what stays on the palette. */
  ml: number;
  paletteMl: number;
  kind: FilmKind;
}

/** A mix as it is made for all models that take it. */
export interface MixAmount {
  mix: Mix;
  potId: string;
  /** What is needed of it, with what other mixes take of it. */
  needMl: number;
  /** Whole drops of one batch: of each share, and last of what thins it. */
  drops: number[];
  /** Batches that are made at once. */
  times: number;
  madeMl: number;
  /** What goes into all batches of each paint and of each other mix, by their pots: millilitres. */
  takes: [potId: string, ml: number][];
  /** Models that take it, of any step; what only goes into another mix has those of that. */
  models: number[];
}

export interface UnitAmounts {
  uses: PotUse[];
  /** Out of each pot of the shelf, by the ids of the paints: for steps and for mixes. */
  paints: Map<string, number>;
  /** In the order in which they are made. */
  mixes: MixAmount[];
}

type AmountUnit = Pick<Unit, 'size'> & { scheme: Pick<Scheme, 'mixes'> };

/** What each coat of each step takes of its pots, for the models that do not have it yet. */
export function potUses(
  { size }: Pick<Unit, 'size'>,
  passes: readonly Pass[],
  isDone: (passKey: string, model: number) => boolean,
  factors: FilmFactors = {},
): PotUse[] {
  return passes.flatMap((pass) => {
    const { step, half } = pass;
    const film = FILMS[step.technique];
    if (film === null) return [];
    const share = half === null ? 1 : 0.5;
    return pass.dips.flatMap((dip): PotUse[] => {
      const models = dip.models.filter((model) => !isDone(pass.key, model));
      if (dip.potId === null || models.length === 0) return [];
      const surface = SURFACE_CM2[size] * step.coverage * share * models.length;
      return [
        {
          passKey: pass.key,
          potId: dip.potId,
          models,
          ml: coatMl(step.technique, surface, factors) * (step.own?.film ?? 1),
          paletteMl: PALETTE_ML * share,
          kind: film.kind,
        },
      ];
    });
  });
}

/**
 * What all of a unit takes, for the models that do not have it yet: each mix is made for the whole unit at once, in the smallest whole
 * multiple of its parts that is a little more than is needed, and what its parents give is added to theirs first.
 */
export function unitAmounts(
  unit: Unit,
  standard: Standard,
  house: Pick<HouseRules, 'schools'>,
  isDone: (passKey: string, model: number) => boolean = () => false,
  factors: FilmFactors = {},
): UnitAmounts {
  return amountsOfUses(unit, potUses(unit, passesOf(unit, standard, house), isDone, factors));
}

/** The same from uses that are known. */
export function amountsOfUses({ scheme }: AmountUnit, uses: PotUse[]): UnitAmounts {
  const needs = new Map<string, number>();
  const models = new Map<string, Set<number>>();
  const need = (pot: string, ml: number, of: Iterable<number>) => {
    needs.set(pot, (needs.get(pot) ?? 0) + ml);
    const known = models.get(pot) ?? new Set();
    for (const model of of) known.add(model);
    models.set(pot, known);
  };
  for (const use of uses) need(use.potId, use.ml + use.paletteMl, use.models);
  const pots = potIdsOf(scheme);
  const byId = new Map(scheme.mixes.map((mix) => [mix.id, mix]));
  const taken = new Set<string>();
  const mixes: MixAmount[] = [];
  // Each after those that it is made of: from the last to the first, what a mix takes of another is known before that one is made.
  for (const [id, potId] of [...pots].reverse()) {
    const mix = byId.get(id)!;
    const needMl = needs.get(potId) ?? 0;
    // Two mixes of one recipe are one pot.
    if (needMl === 0 || taken.has(potId)) continue;
    taken.add(potId);
    const drops = inDrops([...mix.of.map(({ parts: each }) => each), ...(mix.thin ? [mix.thin.parts] : [])]);
    const parts = drops.reduce((sum, each) => sum + each, 0);
    const times = Math.ceil((MIXED_OVER * needMl) / (parts * DROP_ML) - 1e-9);
    const takes = mix.of.map((share, index): [string, number] => [
      'mix' in share ? pots.get(share.mix)! : share.paint,
      drops[index]! * times * DROP_ML,
    ]);
    for (const [pot, ml] of takes) need(pot, ml, models.get(potId)!);
    mixes.unshift({
      mix,
      potId,
      needMl,
      drops,
      times,
      madeMl: parts * times * DROP_ML,
      takes,
      models: [...models.get(potId)!].sort((a, b) => a - b),
    });
  }
  const mixed = new Set(pots.values());
  return { uses, paints: new Map([...needs].filter(([pot]) => !mixed.has(pot))), mixes };
}
