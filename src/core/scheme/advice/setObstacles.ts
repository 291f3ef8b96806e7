import { SIZE_LABELS, type Paint, type Size, type Standard, type Unit } from '../model/definitions';
import { primeOf } from './undercoats';

/** What stands against painting units together that the plan does not price, in words. */
export function setObstacles(
  units: readonly (Pick<Unit, 'scheme'> & { size: Size; standard: Standard })[],
  paints: ReadonlyMap<string, Pick<Paint, 'name'>>,
): string[] {
  const sizes = distinct(units.map(({ size }) => SIZE_LABELS[size].toLowerCase()));
  const standards = distinct(units.map(({ standard }) => standard));
  const undercoats = distinct(
    units.flatMap((unit) => {
      const prime = primeOf(unit.scheme);
      return prime === null ? [] : [(prime.paint !== null && paints.get(prime.paint)?.name) || 'a primer without a name'];
    }),
  );
  return [
    sizes.length > 1 && `sizes differ (${sizes.join(', ')})`,
    standards.length > 1 && `standards differ (${standards.join(', ')})`,
    undercoats.length > 1 && `${undercoats.length} undercoats (${undercoats.join(', ')})`,
  ].filter((each) => each !== false);
}

const distinct = <T>(items: T[]): T[] => [...new Set(items)];
