import type { StepKind } from '../../time/definitions';
import { delimiterOf, eachRecord } from '../csvRecords';
import { parse } from '../fields';
import { readNumber } from '../readNumber';
import { InputError } from '../../kernel/InputError';
import { rowSchema } from './timeLogColumns';

export const WORK_COLUMNS = ['commission', 'unit', 'part', 'technique', 'size', 'coverage', 'models'] as const;

/** Work still to be done, as a file names it. */
export interface FileWork {
  kind: StepKind;
  models: number;
}

/** As a time log has them. */
const workSchema = rowSchema.pick([...WORK_COLUMNS]);

/** Reads work still to be done from CSV. Throws an `InputError` at the first bad value: a forecast of a part would be wrong. */
export function readWork(csv: string): FileWork[] {
  const delimiter = delimiterOf(csv);
  const work: FileWork[] = [];
  let columns: string[] | null = null;
  eachRecord(csv, delimiter, ({ line, fields, problem }) => {
    if (problem !== null) throw new InputError(`line ${line}`, fields.join(delimiter), problem);
    if (columns === null) {
      columns = fields.map((field) => field.trim().toLowerCase());
      const missing = WORK_COLUMNS.filter((column) => column !== 'part' && !columns!.includes(column));
      if (missing.length > 0) throw new InputError('the header', fields.join(','), `add the column ${missing.join(', ')}`);
      return;
    }
    if (fields.length !== columns.length)
      throw new InputError(`line ${line}`, fields.length, `give ${columns.length} fields, as the header does`);
    work.push(rowOf(columns, fields, line, delimiter));
  });
  if (columns === null) throw new InputError('the file', csv, `give work with the header ${WORK_COLUMNS.join(',')}`);
  return work;
}

function rowOf(columns: readonly string[], fields: readonly string[], line: number, delimiter: string): FileWork {
  const field = (column: string) => fields[columns.indexOf(column)] ?? '';
  const number = (column: string) => {
    const given = field(column).trim();
    return readNumber(given, { comma: delimiter !== ',' }) ?? given;
  };
  const raw = {
    commission: field('commission'),
    unit: field('unit'),
    part: field('part'),
    technique: field('technique').trim(),
    size: field('size').trim(),
    coverage: number('coverage'),
    models: number('models'),
  };
  try {
    const { models, ...kind } = parse(workSchema, raw);
    return { kind: { ...kind, unitId: null, stepId: null, stepLike: field('step_like').trim() || null }, models };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(`line ${line}, ${error.field}`, error.value, error.remedy);
  }
}
