import { useMemo } from 'react';
import { FITS_CHANCE, type DateOutlook } from '../../../core/plan/dates/forecast';
import { LinkButton } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { momentText } from '../../../ui/format';
import { chanceText, priceText } from '../../shared/dateWords';
import { LineTimes } from '../../shared/LineTimes';
import { useLineSets } from '../../client/useLineSets';
import { Working } from '../../../ui/Working/Working';
import styles from './commission.module.css';

/** When this commission is done as the bench stands, and what it does to the others if it goes on the line with them. */
export function BesideOthers({ commissionId, outlook }: { commissionId: string; outlook: DateOutlook }) {
  const sets = useLineSets(null, commissionId);
  const times = useMemo(() => (sets === null || sets === 'working' ? null : new LineTimes(sets.sessions)), [sets]);
  const prices = sets === null || sets === 'working' ? null : sets;
  const price = prices?.byCommission.find(([id]) => id === commissionId)?.[1];
  const isOnLine = prices?.onLine.includes(commissionId) ?? false;
  const nameOf = (id: string) => prices?.names.find(([each]) => each === id)?.[1] ?? '';
  return (
    <Panel title="Beside the other commissions" aside={<LinkButton href="/line">Open the line</LinkButton>}>
      <div className={styles.backPlan} data-testid="beside">
        <p>{outlookText(outlook)}</p>
        {sets === 'working' && (
          <p role="status">
            <Working label="Working out what it does to the others …" />
          </p>
        )}
        {price && times && (
          <p>
            {isOnLine ? 'It is on the line; taken off' : 'It waits until what is on the line is done; put on the line'}:{' '}
            {priceText(price, times, nameOf)}.
          </p>
        )}
      </div>
    </Panel>
  );
}

function outlookText({ standing, likelyAt, safeAt, chance }: DateOutlook): string {
  if (standing === 'done') return 'Nothing of it is left to paint.';
  if (likelyAt === null) return 'Set your sessions in House rules to see when it is done.';
  const safe = safeAt === null ? '' : `, at the latest ${momentText(safeAt)}`;
  return `As the bench stands, expected done ${momentText(likelyAt)}${safe}: ${chance >= FITS_CHANCE ? 'the date is safe' : chanceText(chance)}.`;
}
