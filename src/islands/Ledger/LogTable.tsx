import { partWords } from '../../core/scheme/model/workWords';
import { useState } from 'react';
import { labelOf } from '../../core/scheme/model/techniques';
import { minutesThatCount, type RowJudgement } from '../../core/log/definitions';
import type { LogColumn, ShownRow } from '../../contract/log';
import { Button } from '../../ui/Button/Button';
import { cx } from '../../ui/cx';
import { minutesText, momentText } from '../../ui/format';
import { SortHead } from '../shared/sort/SortHead';
import type { Sorting } from '../shared/sort/useSorted';
import { toldWords } from '../shared/toldWords';
import { CorrectMinutes } from '../shared/CorrectMinutes';
import styles from './View.module.css';

interface LogTableProps {
  rows: readonly ShownRow[];
  /** Over all pages. */
  sorting: Sorting<LogColumn>;
  onJudge: (id: string, judgement: RowJudgement) => void;
}

const COLUMNS: readonly { name: string; by: LogColumn; isFigure?: true }[] = [
  { name: 'Started', by: 'started' },
  { name: 'Step', by: 'step' },
  { name: 'Models', by: 'models', isFigure: true },
  { name: 'Minutes', by: 'minutes', isFigure: true },
  { name: 'A model', by: 'model', isFigure: true },
];

/** The log: each row as it was measured, and what the painter says of it. */
export function LogTable({ rows, sorting, onJudge }: LogTableProps) {
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Rows of the log">
      <table className={styles.log}>
        <thead>
          <tr>
            {COLUMNS.map(({ name, by, isFigure }) => (
              <SortHead key={by} sorting={sorting} by={by} className={cx(isFigure && styles.figure)}>
                {name}
              </SortHead>
            ))}
            <th scope="col">Counts?</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <LogLine key={row.id} row={row} onJudge={(judgement) => onJudge(row.id, judgement)} />
          ))}
          {rows.length === 0 && (
            <tr>
              <td colSpan={COLUMNS.length + 1}>No rows.</td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

function LogLine({ row, onJudge }: { row: ShownRow; onJudge: (judgement: RowJudgement) => void }) {
  const minutes = minutesThatCount(row);
  const isUnsure = row.verdict === 'unsure' && row.correctedMinutes === null;
  return (
    <tr className={cx(row.verdict === 'left out' && styles.leftOut, isUnsure && (row.odd || row.open) && styles.flagged)}>
      <td>{momentText(Date.parse(row.startedAt))}</td>
      <td>
        {labelOf(row)} on {row.unit}, {partWords(row.part)}
        <small className={styles.note}>{row.commission}</small>
        {row.note && <small className={styles.note}>{row.note}</small>}
      </td>
      <td className={styles.figure}>{row.models}</td>
      <td className={styles.figure}>
        {minutes === null ? 'not known' : minutes.toFixed(1)}
        {toldWords(row) !== null && <small className={styles.note}>{toldWords(row)}</small>}
        {row.correctedMinutes !== null && <small className={styles.note}>measured {row.minutes.toFixed(1)}</small>}
      </td>
      <td className={styles.figure}>{minutes === null ? '' : minutesText(minutes / row.weight)}</td>
      <td>
        <Verdict row={row} onJudge={onJudge} />
      </td>
    </tr>
  );
}

/** Any row can be left out, counted or corrected, and changed back. */
function Verdict({ row, onJudge: judge }: { row: ShownRow; onJudge: (judgement: RowJudgement) => void }) {
  const [isEditing, setEditing] = useState(false);
  const { verdict, correctedMinutes } = row;
  const isAsked = verdict === 'unsure' && correctedMinutes === null && (row.odd !== null || row.open !== null);
  const [isOpen, setOpen] = useState(false);
  const onJudge = (judgement: RowJudgement) => {
    judge(judgement);
    setOpen(false);
  };
  if (isEditing)
    return (
      <span className={styles.verdict}>
        <CorrectMinutes
          minutes={row.correctedMinutes ?? row.minutes}
          onSave={(minutes) => {
            onJudge({ verdict: 'counts', correctedMinutes: minutes });
            setEditing(false);
          }}
          onCancel={() => setEditing(false)}
        />
      </span>
    );
  return (
    <span className={styles.verdict}>
      {verdict === 'left out' ? (
        'left out'
      ) : correctedMinutes !== null ? (
        'corrected'
      ) : verdict === 'counts' ? (
        'yes (confirmed)'
      ) : (
        <Unsure row={row} />
      )}
      {verdict === 'left out' ? (
        <Button kind="quiet" onClick={() => onJudge({ verdict: 'unsure', correctedMinutes })}>
          Include again
        </Button>
      ) : !isAsked && !isOpen ? (
        <Button kind="quiet" onClick={() => setOpen(true)}>
          Edit
        </Button>
      ) : (
        <>
          {verdict === 'unsure' && row.odd !== null && (
            <Button kind="quiet" onClick={() => onJudge({ verdict: 'counts', correctedMinutes })}>
              It counts
            </Button>
          )}
          {(verdict === 'counts' || correctedMinutes !== null) && (
            <Button kind="quiet" onClick={() => onJudge({ verdict: 'unsure', correctedMinutes: null })}>
              As measured
            </Button>
          )}
          <Button kind="quiet" onClick={() => onJudge({ verdict: 'left out', correctedMinutes })}>
            Leave out
          </Button>
          <Button kind="quiet" onClick={() => setEditing(true)}>
            Correct
          </Button>
        </>
      )}
    </span>
  );
}

function Unsure({ row }: { row: ShownRow }) {
  if (row.open === 'gap') return <strong>a break?</strong>;
  if (row.open === 'late') return <strong>how long?</strong>;
  return row.odd === null ? <>yes</> : <strong>{row.odd}?</strong>;
}
