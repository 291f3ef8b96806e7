import type { BenchPass, BenchUnit } from '../../core/bench/guide/benchLine';
import { weightOf } from '../../core/bench/replay/divideStretch';
import type { BenchFigures } from '../../contract/bench';

interface Known {
  figures: Pick<BenchFigures, 'passes'>;
  units: ReadonlyMap<string, BenchUnit>;
}

/** Likely minutes of these models under a pass: by the log, or as planned until that is known. */
export function likelyMinutes({ figures, units }: Known, pass: BenchPass, models: readonly number[]): number {
  const known = figures.passes.find((each) => each.passKey === pass.key)?.p50;
  return (known === undefined ? pass.minutes : known * pass.effort) * weightOf(models, units.get(pass.unitId)!);
}
