import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { ClockCorrection } from '../../core/bench/clockCorrection';
import { Button } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted, minutesText, momentText } from '../../ui/format';
import { send } from '../client/api';
import { useAttempt } from '../client/useAttempt';

const DAY_MINUTES = 24 * 60;
const farText = (ms: number) => {
  const minutes = Math.abs(ms) / MINUTE_MS;
  return minutes < 2 * DAY_MINUTES ? minutesText(minutes) : counted(Math.round(minutes / DAY_MINUTES), 'day');
};

/** Taps that were moved because a clock was ahead; the painter knows better whether it was. */
export function ClockCorrections({ corrections }: { corrections: ClockCorrection[] }) {
  const { error, attempt } = useAttempt(() => window.location.reload());
  return corrections.map(({ id, madeAt, movedByMs, taps }) => (
    <Notice key={id} kind="flag">
      <p>
        When the program started on {momentText(Date.parse(madeAt))}, {counted(taps, 'tap')} lay in the future: the computer’s clock seems
        to have been ahead before. {taps === 1 ? 'It was' : 'They were'} moved back by {farText(movedByMs)}.
      </p>
      {error && <p role="alert">{error}</p>}
      <Button onClick={() => attempt(send('POST', `/api/clock-corrections/${id}/taken-back`, {}))}>Undo: the clock was right before</Button>
    </Notice>
  ));
}
