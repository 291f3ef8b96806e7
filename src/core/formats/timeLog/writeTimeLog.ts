import Papa from 'papaparse';
import { minutesThatCount, type JudgedRow } from '../../log/definitions';
import { noFormula, TIME_LOG_COLUMNS } from './timeLogColumns';

/** A row with the names its commission and unit have today, and those of the time beside them. */
interface WrittenRow extends JudgedRow {
  id: string;
  commissionThen?: string;
  unitThen?: string;
}

/**
 * Writes rows as `neat-relay/time-log@1`: UTF-8, header row, RFC 4180 with CRLF. Rows whose minutes nobody knows are left out;
 * where the painter corrected them, what was measured stands in a column of its own.
 */
export function writeTimeLog(rows: readonly WrittenRow[]): string {
  const records = rows.flatMap((row) => {
    const minutes = minutesThatCount(row);
    if (minutes === null) return [];
    return [
      [
        row.startedAt,
        row.commission,
        row.unit,
        row.part,
        row.technique,
        row.size,
        row.coverage,
        row.models,
        minutes,
        row.setupMinutes ?? '',
        row.note,
        row.weight,
        row.id,
        row.verdict,
        row.correctedMinutes === null ? '' : row.minutes,
        row.commissionId ?? '',
        row.unitId ?? '',
        row.stepId ?? '',
        row.effort,
        row.commissionThen ?? row.commission,
        row.unitThen ?? row.unit,
        row.stepLike ?? '',
        row.called ?? '',
      ],
    ];
  });
  const cells = records.map((record) => record.map((value) => (typeof value === 'string' ? noFormula(value) : value)));
  return `${Papa.unparse({ fields: [...TIME_LOG_COLUMNS], data: cells }, { newline: '\r\n' })}\r\n`;
}
