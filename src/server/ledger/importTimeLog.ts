import { ulid } from 'ulid';
import { readTimeLog } from '../../core/formats/timeLog/readTimeLog';
import type { FileRow } from '../../core/formats/timeLog/timeLogColumns';
import { type KeptJudgement, type StoredLogRow } from '../../core/log/definitions';
import { tieToWork, type NamedUnit } from '../../core/time/check/tieToWork';
import type { TimeLogImport } from '../../contract/log';
import type { Stores } from '../stores/stores';
import { isToLearn, learnSpreads } from './learnSpreads';

const SAMPLE_ROWS = 8;

/** Reads a time log file. Without `confirm` it only says what it would take; rows in the log already are not taken twice. */
export async function importTimeLog(
  stores: Stores,
  { csv, confirm }: { csv: string; confirm: boolean },
  now: Date,
): Promise<TimeLogImport> {
  const { rows, bad, badCount } = readTimeLog(csv);
  if (!confirm) return told(sortOut(rows, await stores.timeLog.list()));
  return stores.allOrNothing(async (inside) => {
    const { timeLog, commissions, spreads } = inside;
    const sorted = sortOut(rows, await timeLog.list());
    const units = await namedUnits(commissions);
    await timeLog.insert([
      ...sorted.fresh.map((row) => ({ ...tieToWork(row, units), id: row.id ?? ulid(now.getTime()) })),
      ...sorted.grown,
    ]);
    await timeLog.saveJudgements(sorted.judged);
    // A long file teaches at once: what is learned later would move every figure a second time.
    const learned = (await isToLearn({ timeLog, spreads })) ? await learnSpreads(inside) : null;
    if (learned) await spreads.save(learned);
    return told(sorted);
  });

  function told(sorted: SortedRows): TimeLogImport {
    return {
      newRows: sorted.fresh.length,
      knownRows: rows.length - sorted.fresh.length,
      bad,
      badCount,
      sample: sorted.fresh.slice(0, SAMPLE_ROWS),
      taken: confirm,
    };
  }
}

interface SortedRows {
  fresh: FileRow[];
  /** Known rows of which the file tells more: they were written down in the middle of a stretch. */
  grown: (FileRow & { id: string })[];
  /** Known rows on which the file brings the painter's word and the log has none. */
  judged: (KeptJudgement & { id: string })[];
}

/** What the file brings that is not in the log: a row is known by its id, else by what it says, whatever it was called since. */
function sortOut(rows: readonly FileRow[], log: readonly StoredLogRow[]): SortedRows {
  const byId = new Map(log.map((row) => [row.id, row]));
  const byContent = new Map(log.map((row) => [contentOf(row), row]));
  // Two stretches at one bench cannot begin in the same millisecond: names may have changed since.
  const byStart = new Map(log.filter((row) => row.eventId !== null).map((row) => [startOf(row), row]));
  const sorted: SortedRows = { fresh: [], grown: [], judged: [] };
  const inFile = new Set<string>();
  for (const row of rows) {
    const content = contentOf(row);
    const known =
      (row.id === null ? undefined : byId.get(row.id)) ??
      byContent.get(content) ??
      (row.id === null ? byStart.get(startOf(row)) : undefined);
    if (known) takeKnown(sorted, row, known);
    else if (!inFile.has(row.id ?? content) && !inFile.has(content)) sorted.fresh.push(row);
    inFile.add(row.id ?? content).add(content);
  }
  return sorted;
}

function takeKnown({ grown, judged }: SortedRows, row: FileRow, known: StoredLogRow): void {
  if (known.eventId === null && row.id === known.id && row.models > known.models) grown.push({ ...row, id: known.id });
  const hasWord = known.verdict !== 'unsure' || known.correctedMinutes !== null;
  const bringsWord = row.verdict !== 'unsure' || row.correctedMinutes !== null;
  if (!bringsWord || hasWord) return;
  const { verdict, correctedMinutes, models, minutes } = row;
  const of = correctedMinutes === null ? { ofModels: null, ofMinutes: null } : { ofModels: models, ofMinutes: minutes };
  judged.push({ id: known.id, verdict, correctedMinutes, ...of });
}

type Told = Pick<FileRow, 'startedAt' | 'commission' | 'unit' | 'part' | 'technique' | 'models'>;
const contentOf = (row: Told) => [startOf(row), row.commission, row.unit, row.part, row.models].join('\u0001');
const startOf = (row: Pick<Told, 'startedAt' | 'technique'>) => `${Date.parse(row.startedAt)}\u0001${row.technique}`;

async function namedUnits(commissions: Stores['commissions']): Promise<NamedUnit[]> {
  const all = [...(await commissions.listOpen()), ...(await commissions.listClosed())];
  const names = new Map(all.map((commission) => [commission.id, commission.name]));
  return (await commissions.unitsOf([...names.keys()])).map((unit) => ({ ...unit, commissionName: names.get(unit.commissionId)! }));
}
