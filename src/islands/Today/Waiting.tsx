import type { Undone } from '../../core/commission/undone';
import type { Today, TodayCommission } from '../../contract/today';
import { UndoneList } from '../shared/UndoneList';
import { Panel } from '../../ui/Panel/Panel';
import { counted } from '../../ui/format';
import styles from './View.module.css';

/** What waits on others, or for a word of the painter. */
export function Waiting({ today }: { today: Today }) {
  const waiting = today.commissions.filter(
    (entry) => entry.waitingTestModels.length + entry.openCounts.length + entry.unitsWithoutScheme.length + toSettle(entry).length > 0,
  );
  return (
    <Panel title="Waiting on others">
      {waiting.length === 0 && <p>Nothing is waiting on a client.</p>}
      <ul className={styles.list}>
        {waiting.map((entry) => (
          <Waits key={entry.commission.id} entry={entry} />
        ))}
        {today.openRows > 0 && (
          <li className={styles.waits}>
            <a href="/ledger">{counted(today.openRows, 'job')} without a time</a>
          </li>
        )}
      </ul>
    </Panel>
  );
}

/** What the lines above do not say already. */
function toSettle({ undone, openCounts, waitingTestModels, unitsWithoutScheme }: TodayCommission): Undone[] {
  const said = new Set([...openCounts, ...waitingTestModels]);
  return undone.filter(({ unit, at }) => !(at === 'intake' && said.has(unit)) && !(at === 'scheme' && unitsWithoutScheme.includes(unit)));
}

function Waits({ entry }: { entry: TodayCommission }) {
  const { commission, openCounts, waitingTestModels, unitsWithoutScheme } = entry;
  const undone = toSettle(entry);
  return (
    <li className={styles.waits}>
      <strong>{commission.name}</strong>
      {openCounts.length > 0 && <a href={`/c/${commission.id}/intake`}>Count to settle: {openCounts.join(', ')}</a>}
      {waitingTestModels.length > 0 && <a href={`/c/${commission.id}/intake`}>Waiting for approval: {waitingTestModels.join(', ')}</a>}
      {unitsWithoutScheme.length > 0 && <a href={`/c/${commission.id}/scheme`}>No scheme yet: {unitsWithoutScheme.join(', ')}</a>}
      {undone.length > 0 && (
        <details>
          <summary>{counted(undone.length, 'thing')} to settle before delivery</summary>
          <UndoneList undone={undone} commissionId={commission.id} />
        </details>
      )}
    </li>
  );
}
