import type { Mark } from '../bench/definitions';
import { flattened } from '../colour/flatten';
import type { Pass } from '../scheme/passes/passes';
import { SURFACE_CM2, type Unit } from '../scheme/model/definitions';
import { potIdsOf } from '../scheme/model/pots';
import { coatMl, FILMS, MIXED_OVER, PALETTE_ML, type Film } from './films';
import type { PaintUsed } from './shelf';

/** What a millilitre of a pot takes of the paints of the shelf, by their ids. */
export type PotContents = ReadonlyMap<string, ReadonlyMap<string, number>>;

/**
 * What is in each mix of a scheme, by the ids of their pots: of a millilitre on the model, so much of each paint, with what is mixed over
 * and thinner taken off.
 */
export function mixContents({ scheme }: Pick<Unit, 'scheme'>): PotContents {
  const byId = new Map(scheme.mixes.map((mix) => [mix.id, mix]));
  return new Map(
    [...potIdsOf(scheme)].map(([id, potId]) => {
      const mix = byId.get(id)!;
      const paint = mix.of.reduce((sum, { parts }) => sum + parts, 0);
      const share = (MIXED_OVER * paint) / (paint + (mix.thin?.parts ?? 0));
      return [potId, new Map([...flattened(mix, byId)].map(([paintId, of]) => [paintId, of * share]))];
    }),
  );
}

/** What was taken out of the pots for what stands on the models of a unit, by the pots that were in hand then. */
export function paintUsed(
  unit: Unit,
  passes: readonly Pass[],
  marksOf: (passKey: string) => ReadonlyMap<number, Mark> | undefined,
): PaintUsed[] {
  const contents = mixContents(unit);
  return passes.flatMap((pass) => {
    const { technique, coverage, own } = pass.step;
    const film: Film | null = FILMS[technique];
    if (film === null) return [];
    const share = pass.half === null ? 1 : 0.5;
    const perModel = coatMl(technique, SURFACE_CM2[unit.size] * coverage * share) * (own?.film ?? 1);
    const begun = new Set<string>();
    return [...(marksOf(pass.key)?.values() ?? [])]
      .sort((a, b) => a.at - b.at)
      .flatMap((mark): PaintUsed[] => {
        const potId = mark.setupId.slice(mark.setupId.indexOf('|') + 1);
        if (mark.leftOut || potId === '' || !mark.setupId.includes('|')) return [];
        const isFirst = !begun.has(potId);
        begun.add(potId);
        return [...(contents.get(potId) ?? new Map([[potId, 1]]))].flatMap(([paintId, of]) => [
          { paintId, at: mark.at, ml: perModel * of, kind: film.kind },
          ...(isFirst ? [{ paintId, at: mark.at, ml: PALETTE_ML * share * of, kind: null }] : []),
        ]);
      });
  });
}
