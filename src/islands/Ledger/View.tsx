import { useState } from 'react';
import type { RowVerdict } from '../../core/time/definitions';
import type { LogPicture } from '../../core/views/log';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { counted, minutesText } from '../../ui/format';
import { send } from '../shared/api';
import { ImportLog } from './ImportLog';
import { LogTable } from './LogTable';
import { PaceChart } from './PaceChart';
import styles from './View.module.css';

export function LedgerView({ log }: { log: LogPicture }) {
  const [rows, setRows] = useState(log.rows);
  const [onlyInterrupted, setOnlyInterrupted] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const judge = async (id: string, verdict: RowVerdict) => {
    try {
      await send('PUT', `/api/time-log/${id}`, { verdict });
      setRows((all) => all.map((row) => (row.id === id ? { ...row, verdict } : row)));
      setError(null);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const { totals } = log;
  const shown = onlyInterrupted ? rows.filter((row) => row.interrupted || row.verdict === 'left out') : rows;
  return (
    <div className={styles.view}>
      <div className={styles.top}>
        <p>
          {totals.rows === 0
            ? 'Nothing is logged yet. Every leg painted at the bench writes a row here; an older log can be taken in as CSV.'
            : `${counted(totals.rows, 'row')}, ${counted(totals.models, 'model-step')}, ${minutesText(totals.minutes)} hands-on.`}
        </p>
        <span className={styles.actions}>
          <ImportLog />
          <a href="/api/time-log" className={styles.download}>
            Save the log as CSV
          </a>
        </span>
      </div>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <div className={styles.columns}>
        <Panel
          title="The log, newest first"
          aside={
            <label className={styles.filter}>
              <input type="checkbox" checked={onlyInterrupted} onChange={(event) => setOnlyInterrupted(event.target.checked)} /> only the{' '}
              {totals.looksInterrupted} that look interrupted
            </label>
          }
        >
          <LogTable rows={shown} onJudge={(id, verdict) => void judge(id, verdict)} />
        </Panel>
        <Panel title="How long do you take, against the norm?">
          {log.techniques.length === 0 ? <p>The chart appears with the first rows.</p> : <PaceChart techniques={log.techniques} />}
        </Panel>
      </div>
    </div>
  );
}
