import { factsOf } from '../../core/scheme/techniques';
import type { RowVerdict } from '../../core/time/definitions';
import type { LogPicture } from '../../core/views/log';
import { Button } from '../../ui/Button/Button';
import { cx } from '../../ui/cx';
import { minutesText, momentText } from '../../ui/format';
import styles from './View.module.css';

interface LogTableProps {
  rows: LogPicture['rows'];
  onJudge: (id: string, verdict: RowVerdict) => void;
}

export function LogTable({ rows, onJudge }: LogTableProps) {
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Rows of the log">
      <table className={styles.log}>
        <thead>
          <tr>
            <th scope="col">Started</th>
            <th scope="col">What</th>
            <th scope="col">On</th>
            <th scope="col" className={styles.figure}>
              Models
            </th>
            <th scope="col" className={styles.figure}>
              Minutes
            </th>
            <th scope="col" className={styles.figure}>
              A model
            </th>
            <th scope="col">Counts?</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr
              key={row.id}
              className={cx(row.verdict === 'left out' && styles.leftOut, row.interrupted && row.verdict === 'unsure' && styles.flagged)}
            >
              <td>{momentText(Date.parse(row.startedAt))}</td>
              <td>{factsOf(row.technique).label}</td>
              <td>
                {row.unit}, {row.part.toLowerCase() || 'everything'}
              </td>
              <td className={styles.figure}>{row.models}</td>
              <td className={styles.figure}>{row.minutes.toFixed(1)}</td>
              <td className={styles.figure}>{minutesText(row.minutes / row.models)}</td>
              <td>
                <Verdict row={row} onJudge={onJudge} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A row that looks interrupted counts for little until the painter has said what it is. */
function Verdict({ row, onJudge }: { row: LogTableProps['rows'][number]; onJudge: LogTableProps['onJudge'] }) {
  if (row.verdict === 'left out') {
    return (
      <span className={styles.verdict}>
        left out{' '}
        <Button kind="quiet" onClick={() => onJudge(row.id, 'unsure')}>
          Take back in
        </Button>
      </span>
    );
  }
  if (!row.interrupted) return <span className={styles.verdict}>{row.verdict === 'counts' ? 'yes, you said so' : 'yes'}</span>;
  return (
    <span className={styles.verdict}>
      <strong>interrupted?</strong>
      <Button kind="quiet" onClick={() => onJudge(row.id, 'left out')}>
        Leave out
      </Button>
      <Button kind="quiet" onClick={() => onJudge(row.id, 'counts')}>
        It counts
      </Button>
    </span>
  );
}
