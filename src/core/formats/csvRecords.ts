import Papa from 'papaparse';

const DELIMITERS = [',', ';', '\t'];

/**
 * What separates the columns of the header.
 *
 * @example delimiterOf('unit;size;count') // ';'
 */
export function delimiterOf(csv: string): string {
  const [header = ''] = csv.split(/[\r\n]/, 1);
  const counts = DELIMITERS.map((delimiter) => header.split(delimiter).length);
  return DELIMITERS[counts.indexOf(Math.max(...counts))]!;
}

interface CsvRecord {
  line: number;
  fields: string[];
  problem: string | null;
}

/** Tells each record with the line it begins on: a quoted field may hold line breaks. */
export function eachRecord(csv: string, delimiter: string, tell: (record: CsvRecord) => void): void {
  const body = csv.replace(/^\uFEFF/, '');
  let line = 1;
  let cursor = 0;
  Papa.parse<string[]>(body, {
    delimiter,
    step: ({ data, errors, meta }) => {
      const begins = line;
      line += (body.slice(cursor, meta.cursor).match(/\r\n|\n|\r/g) ?? []).length;
      cursor = meta.cursor;
      if (data.length <= 1 && !data[0]?.trim()) return;
      const quoting = errors.find((error) => error.type === 'Quotes');
      tell({
        line: begins,
        fields: data,
        problem: quoting ? 'the quotes do not match: close every quoted field, and double quotes inside one' : null,
      });
    },
  });
}
