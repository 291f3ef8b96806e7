import { groupBy } from '../kernel/groupBy';
import { leastSquares } from '../kernel/leastSquares';
import { FILM_KINDS, type FilmFactors, type FilmKind } from './films';
import type { PaintUsed, PotLevel } from './shelf';

/** Standard deviation of the log of a factor before anything was measured. */
const PRIOR_SD = 0.5;
/** Standard deviations of a level, in millilitres: measured or weighed; read in tenths, it is off by a part of a tenth of the pot. */
const MEASURED_SD_ML = 0.3;
const TENTH_SD = 0.1 / Math.sqrt(12);

/** Between two looks at a pot: what was taken by each kind of work as assumed, and what really went. */
export interface Measured {
  paintId: string;
  /** UTC ISO 8601. */
  from: string;
  to: string;
  assumedMl: Partial<Record<FilmKind, number>>;
  /** What stayed on the palette. */
  paletteMl: number;
  usedMl: number;
  sdMl: number;
}

/**
 * Pairs of levels one after the other with work in between. A level that went up is of a new pot, and one without work teaches nothing.
 * `volumes` are those of new pots, by the ids of the paints.
 */
export function measuredUse(
  levels: readonly PotLevel[],
  used: readonly PaintUsed[],
  volumes: ReadonlyMap<string, number | null>,
): Measured[] {
  const usesOf = groupBy(used, ({ paintId }) => paintId);
  const sdOf = ({ paintId, byEye, ml }: PotLevel) => (byEye ? TENTH_SD * (volumes.get(paintId) ?? ml) : MEASURED_SD_ML);
  return [...groupBy(levels, ({ paintId }) => paintId)].flatMap(([paintId, own]) => {
    const inOrder = own.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
    return inOrder.slice(1).flatMap((level, index): Measured[] => {
      const before = inOrder[index]!;
      const [from, to] = [Date.parse(before.at), Date.parse(level.at)];
      const between = (usesOf.get(paintId) ?? []).filter(({ at }) => at > from && at <= to);
      if (level.ml > before.ml || between.length === 0) return [];
      const assumedMl: Measured['assumedMl'] = {};
      for (const { kind, ml } of between) if (kind !== null) assumedMl[kind] = (assumedMl[kind] ?? 0) + ml;
      const paletteMl = between.reduce((sum, { kind, ml }) => sum + (kind === null ? ml : 0), 0);
      const sdMl = Math.max(0.05, Math.hypot(sdOf(before), sdOf(level)));
      return [{ paintId, from: before.at, to: level.at, assumedMl, paletteMl, usedMl: before.ml - level.ml, sdMl }];
    });
  });
}

/**
 * How much more than assumed each kind of work takes: the most probable factors under log-normal priors around 1 (standard deviation of
 * the log 0.5) and normal errors of reading. Kinds that no pot has measured are left out.
 */
export function learnFilms(measured: readonly Measured[]): FilmFactors {
  const kinds = FILM_KINDS.filter((kind) => measured.some(({ assumedMl }) => (assumedMl[kind] ?? 0) > 0));
  const residualsOf = (logs: readonly number[]) => [
    ...measured.map(({ assumedMl, paletteMl, usedMl, sdMl }) => {
      const foretold = kinds.reduce((sum, kind, index) => sum + Math.exp(logs[index]!) * (assumedMl[kind] ?? 0), paletteMl);
      return (usedMl - foretold) / sdMl;
    }),
    ...logs.map((log) => log / PRIOR_SD),
  ];
  const logs = leastSquares(
    residualsOf,
    kinds.map(() => 0),
  );
  return Object.fromEntries(kinds.map((kind, index) => [kind, Math.exp(logs[index]!)]));
}

/** How far the amounts between two looks were foretold off, in millilitres: with what was assumed, and with what was learned. */
export function howFarOff(measured: readonly Measured[], factors: FilmFactors): { assumed: number; learned: number } | null {
  if (measured.length === 0) return null;
  const off = (of: FilmFactors) =>
    measured.reduce((sum, { assumedMl, paletteMl, usedMl }) => {
      const foretold = FILM_KINDS.reduce((all, kind) => all + (of[kind] ?? 1) * (assumedMl[kind] ?? 0), paletteMl);
      return sum + Math.abs(foretold - usedMl);
    }, 0) / measured.length;
  return { assumed: off({}), learned: off(factors) };
}
