import { partWords } from '../../core/scheme/model/workWords';
import type { BenchJob, BenchPass } from '../../core/bench/guide/benchLine';
import { labelOf } from '../../core/scheme/model/techniques';
import { coatWords } from '../../core/scheme/model/halves';
import type { Bench } from './taps/useBench';

type Names = Pick<Bench, 'units' | 'passes' | 'paints' | 'line'>;

/** Which part of what: Jersey, base coat, coat 2 of 2. */
export const passWords = (pass: Pick<BenchPass, 'part' | 'technique' | 'coat' | 'coats' | 'half'>): string =>
  `${partWords(pass.part)}, ${labelOf(pass).toLowerCase()}${coatWords(pass)}`;

/** What a model lacks before it may be painted: not primed yet. */
export const lackWords = (before: BenchPass): string => (before.technique === 'prime' ? 'not primed yet' : `no ${passWords(before)} yet`);

/** The unit, with its commission where the line has several. */
export function unitWords({ units, line }: Names, unitId: string): string {
  const unit = units.get(unitId)!;
  const several = new Set(line.units.map((each) => each.commissionId)).size > 1;
  return several ? `${unit.name} (${unit.commission})` : unit.name;
}

/** The tray of a job, where its unit has several. */
export const trayWords = ({ units }: Names, job: BenchJob): string => (units.get(job.unitId)!.trays.length > 1 ? `, tray ${job.tray}` : '');

/** What a job is, in full: Wash, Reed cutters, tray 1, everything. */
export function jobWords(names: Names, job: BenchJob): string {
  const pass = names.passes.get(job.passKey)!;
  const paint = names.paints.get(job.paintId ?? '');
  return `${paint?.name ?? labelOf(pass)}: ${unitWords(names, job.unitId)}${trayWords(names, job)}, ${passWords(pass)}`;
}
