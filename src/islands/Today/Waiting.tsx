import type { Undone } from '../../core/commission/undone';
import type { Today, TodayCommission } from '../../contract/today';
import { UndoneList } from '../shared/UndoneList';
import { Panel } from '../../ui/Panel/Panel';
import { counted } from '../../ui/format';
import styles from './View.module.css';

/** What only others can move on: approvals. What is the painter's own to settle stands under it, and never among it. */
export function Waiting({ today }: { today: Today }) {
  const onClients = today.commissions.filter(({ waitingTestModels }) => waitingTestModels.length > 0);
  const own = today.commissions.filter((entry) => entry.openCounts.length + entry.unitsWithoutScheme.length + toSettle(entry).length > 0);
  return (
    <>
      <Panel title="Waiting on others">
        {onClients.length === 0 && <p>Nothing is waiting on a client.</p>}
        <ul className={styles.list}>
          {onClients.map(({ commission, waitingTestModels }) => (
            <li key={commission.id} className={styles.waits}>
              <strong>{commission.name}</strong>
              <a href={`/c/${commission.id}/intake`}>Waiting for approval: {waitingTestModels.join(', ')}</a>
            </li>
          ))}
        </ul>
      </Panel>
      {(own.length > 0 || today.openRows > 0) && (
        <Panel title="For you to settle">
          <ul className={styles.list} data-testid="to-settle">
            {own.map((entry) => (
              <Own key={entry.commission.id} entry={entry} />
            ))}
            {today.openRows > 0 && (
              <li className={styles.waits}>
                <a href="/ledger">{counted(today.openRows, 'job')} without a time</a>
              </li>
            )}
          </ul>
        </Panel>
      )}
    </>
  );
}

/** What the other lines do not say already. */
function toSettle({ undone, openCounts, waitingTestModels, unitsWithoutScheme }: TodayCommission): Undone[] {
  const said = new Set([...openCounts, ...waitingTestModels]);
  return undone.filter(({ unit, at }) => !(at === 'intake' && said.has(unit)) && !(at === 'scheme' && unitsWithoutScheme.includes(unit)));
}

function Own({ entry }: { entry: TodayCommission }) {
  const { commission, openCounts, unitsWithoutScheme } = entry;
  const undone = toSettle(entry);
  return (
    <li className={styles.waits}>
      <strong>{commission.name}</strong>
      {openCounts.length > 0 && <a href={`/c/${commission.id}/intake`}>Count to settle: {openCounts.join(', ')}</a>}
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
