import { useState } from 'react';
import type { HousePicture } from '../../contract/house';
import { WEEKDAYS, type WeeklySession } from '../../core/scheme/model/houseRules';
import { groupBy } from '../../core/kernel/groupBy';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { send } from '../client/api';
import { useAttempt } from '../client/useAttempt';
import styles from './SessionsAsked.module.css';

/** Sessions that nobody has typed or looked at: every date goes by them, so the painter is asked once. */
export function SessionsAsked({ sessions }: { sessions: readonly WeeklySession[] | null }) {
  const [isTheirs, setTheirs] = useState(false);
  const { error, attempt } = useAttempt(() => setTheirs(true));
  if (sessions === null || isTheirs) return null;
  const keep = async () => {
    const { rules, revision } = await send<HousePicture>('GET', '/api/house-rules');
    await send('PUT', '/api/house-rules', { rules, revision });
  };
  return (
    <Notice>
      <span className={styles.asked}>
        <span>Dates go by these sessions: {sessionsText(sessions)}. Are they yours?</span>
        <Button onClick={() => attempt(keep())}>Yes, keep them</Button>
        <LinkButton kind="quiet" href="/house-rules#sessions">
          Change them
        </LinkButton>
        {error && <span role="alert">{error}</span>}
      </span>
    </Notice>
  );
}

/**
 * Sessions of a week in words, days with the same hours together.
 *
 * @example sessionsText([{ weekday: 0, from: '19:00', to: '21:30' }]) // 'Mon 19:00 to 21:30'
 */
export const sessionsText = (sessions: readonly WeeklySession[]): string =>
  [...groupBy(sessions, ({ from, to }) => `${from} to ${to}`)]
    .map(([hours, its]) => `${its.map(({ weekday }) => WEEKDAYS[weekday]!.slice(0, 3)).join(', ')} ${hours}`)
    .join('; ') || 'none';
