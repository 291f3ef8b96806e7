import { partWords } from '../../../core/scheme/model/workWords';
import { useState } from 'react';
import { type RowJudgement, type StoredLogRow } from '../../../core/log/definitions';
import { labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { NumberField } from '../../../ui/Field/NumberField';
import { counted, minutesText, momentText } from '../../../ui/format';
import { toldWords } from '../../shared/toldWords';
import { send } from '../../client/api';
import styles from './said.module.css';

interface LateTimesProps {
  rows: readonly StoredLogRow[];
  onSaved: () => void;
}

/** Work that was ticked off without time, or over a gap: what it took can be told now, later, or never. */
export function LateTimes({ rows, onSaved }: LateTimesProps) {
  const [error, setError] = useState<string | null>(null);
  if (rows.length === 0) return null;
  const judge = async (row: StoredLogRow, judgement: RowJudgement) => {
    try {
      await send('PUT', `/api/time-log/${row.id}`, judgement);
      setError(null);
      onSaved();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <details className={styles.late} data-testid="late">
      <summary>{counted(rows.length, 'job')} without a time</summary>
      {error && <p role="alert">{error}</p>}
      <ul>
        {rows.slice(-MOST_SHOWN).map((row) => (
          <LateTime key={row.id} row={row} onJudge={(judgement) => void judge(row, judgement)} />
        ))}
      </ul>
    </details>
  );
}

const MOST_SHOWN = 12;

function LateTime({ row, onJudge }: { row: StoredLogRow; onJudge: (judgement: RowJudgement) => void }) {
  const [minutes, setMinutes] = useState<number | null>(null);
  const what = `${row.unit}, ${partWords(row.part)}: ${labelOf(row).toLowerCase()}`;
  return (
    <li>
      <p>
        {what}, {counted(row.models, 'model')}, {momentText(Date.parse(row.startedAt))}.{' '}
        {row.open === 'gap' ? `Nothing was tapped for ${minutesText(row.minutes)}: was that a break?` : `Ticked off without time.`}
        {toldWords(row) !== null && ` ${toldWords(row)}`}
      </p>
      <span className={styles.lateFields}>
        <NumberField
          live
          label={`Minutes for ${what}`}
          hideLabel
          unit="min"
          optional
          value={minutes}
          min={0.1}
          max={10_080}
          onChange={setMinutes}
        />
        <Button disabled={minutes === null} onClick={() => onJudge({ verdict: 'counts', correctedMinutes: minutes })}>
          It took that long
        </Button>
        {row.open === 'gap' && row.minutes > 0 && (
          <Button kind="quiet" onClick={() => onJudge({ verdict: 'counts', correctedMinutes: row.minutes })}>
            I painted all the time
          </Button>
        )}
        <Button kind="quiet" onClick={() => onJudge({ verdict: 'left out', correctedMinutes: null })}>
          Leave it out
        </Button>
      </span>
    </li>
  );
}
