import type { Undone } from '../../core/commission/undone';
import { momentText } from '../../ui/format';
import styles from './UndoneList.module.css';

interface UndoneListProps {
  undone: readonly Undone[];
  commissionId: string;
}

/** What is not done of a commission, each with the way to where it is settled. */
export function UndoneList({ undone, commissionId }: UndoneListProps) {
  const hrefs = { intake: `/c/${commissionId}/intake`, scheme: `/c/${commissionId}/scheme`, bench: '/bench' } as const;
  return (
    <ul className={styles.list} data-testid="undone">
      {undone.map(({ unit, unitId, kind, what, at, until }) => (
        <li key={`${unitId} ${kind} ${what}`}>
          {unit !== '' && `${unit}: `}
          {kind === 'curing' ? what : <a href={at === 'scheme' ? `${hrefs.scheme}?unit=${unitId}` : hrefs[at]}>{what}</a>}
          {until !== null && `, until ${momentText(until)}`}
        </li>
      ))}
    </ul>
  );
}
