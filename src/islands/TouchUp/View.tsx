import { useRef } from 'react';
import type { FinishPicture } from '../../contract/finish';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Swatch } from '../../ui/Swatch/Swatch';
import { clockText, counted, minutesText } from '../../ui/format';
import { useBenchKeys } from '../client/taps/useBenchKeys';
import { Opened } from '../shared/Opened';
import { useProgramNow } from '../shared/useProgramNow';
import { useRound } from './useRound';
import styles from './View.module.css';

const TICK_MS = 1000;

export function TouchUpView({ commissionId }: { commissionId: string }) {
  return (
    <Opened<FinishPicture> url={`/api/commissions/${commissionId}/finish`} what="the round">
      {(picture, reload) => <Round picture={picture} reload={reload} />}
    </Opened>
  );
}

function Round({ picture, reload }: { picture: FinishPicture; reload: () => void }) {
  const now = useProgramNow(picture.now, TICK_MS);
  const round = useRound(picture, reload, now);
  const main = useRef<HTMLButtonElement>(null);
  const { pot, spot, needsStart, isPaused } = round;
  const back = (act: () => void) => () => {
    act();
    main.current?.focus();
  };
  useBenchKeys({ ' ': round.main, backspace: back(round.undo), p: back(round.pause), e: back(round.end) }, main);
  const home = `/c/${picture.commission.id}/finish`;
  const each = pot === null ? 0 : pot.minutes / pot.spots.length;
  return (
    <div className={styles.round}>
      <div className={styles.work}>
        {pot && spot ? (
          <>
            <div className={styles.spot} data-testid="spot">
              <Swatch hex={pot.hex} kind={null} />
              <div>
                <p className={styles.what}>{pot.pot ?? 'No paint'}</p>
                <p className={styles.where}>
                  {spot.unit}, model {spot.model}: {spot.what.toLowerCase()}
                </p>
                {spot.note !== '' && <p className={styles.where}>{spot.note}</p>}
                <p className={styles.timer}>
                  {needsStart
                    ? `${minutesText(pot.setUpMinutes)} to get ready, then ${counted(pot.spots.length, 'spot')}, about ${minutesText(pot.minutes)}`
                    : `${clockText(round.running * 60)} of about ${minutesText(each)}`}
                </p>
              </div>
            </div>
            <ol className={styles.spots} aria-label={`Spots for ${pot.pot ?? 'this pot'}`}>
              {pot.spots.map((each) => (
                <li key={`${each.passKey} ${each.model}`} aria-current={each === spot}>
                  {each.unit} {each.model}
                </li>
              ))}
            </ol>
          </>
        ) : (
          <Notice>
            <p>Nothing is left to mend. What was varnished before is bare at these spots: see Varnish and cure.</p>
            <LinkButton kind="main" href={`${home}#varnish`}>
              Varnish and cure
            </LinkButton>
          </Notice>
        )}
        {round.problem && (
          <Notice kind="flag" role="alert">
            {round.problem}
          </Notice>
        )}
      </div>
      <aside className={styles.next} aria-label="The round">
        <h2>
          {round.round.spots === 0 ? 'All mended' : `${counted(round.round.spots, 'spot')} left, about ${minutesText(round.round.minutes)}`}
        </h2>
        <ol>
          {round.round.pots.map((each) => (
            <li key={`${each.potId} ${each.spots[0]!.passKey}`}>
              <Swatch hex={each.hex} kind={null} /> {each.pot ?? 'No paint'}: {counted(each.spots.length, 'spot')}
            </li>
          ))}
        </ol>
        <a href={home}>Back to Finish</a>
      </aside>
      <div className={styles.action}>
        <div className={styles.small}>
          <Button onClick={back(round.undo)} disabled={!round.canUndo}>
            Undo
          </Button>
          <Button onClick={back(round.pause)} aria-pressed={isPaused} disabled={round.clock.current === null}>
            {isPaused ? 'Paused' : 'Pause'}
          </Button>
          <Button onClick={back(round.end)} disabled={round.clock.current === null}>
            Enough for today
          </Button>
          <span className={styles.sent} role="status" data-unsent={round.unsent}>
            {round.unsent === 0 ? 'Saved' : `${counted(round.unsent, 'tap')} kept here, not sent yet`}
          </span>
        </div>
        <button type="button" ref={main} className={styles.main} onClick={round.main} disabled={!spot} data-testid="main">
          {!spot || !pot
            ? 'Nothing left to mend'
            : isPaused
              ? 'Go on'
              : needsStart
                ? `Start: ${pot.pot ?? 'no paint'}`
                : `Model ${spot.model} is mended`}
        </button>
      </div>
    </div>
  );
}
