import type { LookBack } from '../../../core/bench/guide/viewBench';
import { Button } from '../../../ui/Button/Button';
import { minutesText, positionsText, timeOfDayText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { jobWords, passWords, unitWords } from '../words';
import styles from '../View.module.css';

interface AdviceProps {
  bench: Bench;
  now: number;
  onOffer: () => void;
  onLooked: (look: LookBack) => void;
  onNotNeeded: () => void;
}

/** Quiet lines under the work: what could be done instead of waiting, pools to look for, and how the evening ends. */
export function Advice({ bench, now, onOffer, onLooked, onNotNeeded }: AdviceProps) {
  const { view, lookBacks, ending } = bench;
  return (
    <>
      {bench.pass?.ifNeeded && view.model !== null && (
        <p className={styles.quiet} data-testid="if-needed">
          Look at model {view.model} first: only where it is needed.{' '}
          <Button onClick={onNotNeeded}>
            <kbd>X</kbd> Model {view.model} does not need it
          </Button>
        </p>
      )}
      {view.dryModel !== null ? (
        <p className={styles.quiet} data-testid="offer">
          Model {view.dryModel} is dry. <Button onClick={onOffer}>Take model {view.dryModel}</Button>
        </p>
      ) : (
        view.offer && (
          <p className={styles.quiet} data-testid="offer">
            Meanwhile: {jobWords(bench, view.offer.job)}, {view.offer.ready.length} ready, {minutesText(view.offer.changeoverMinutes)} to
            set up. <Button onClick={onOffer}>Start that</Button>
          </p>
        )
      )}
      {lookBacks.map((look) => (
        <p key={look.pass.key} className={styles.quiet} data-testid="look-back">
          Still wet: look at {unitWords(bench, look.pass.unitId)} {positionsText(look.models)} for pools ({passWords(look.pass)}).
          {look.judgeAt > now && ` Judge the shade from ${timeOfDayText(look.judgeAt)} on.`}{' '}
          <Button kind="quiet" onClick={() => onLooked(look)}>
            Looked at
          </Button>
        </p>
      ))}
      {ending && <Ending bench={bench} ending={ending} />}
    </>
  );
}

const WHY = {
  'must not rest': 'a dry brush must not rest half way',
  'needs looking at': 'a wash needs looking at while it is wet',
  'does not fit': 'too long for this session',
} as const;

function Ending({ bench, ending }: { bench: Bench; ending: NonNullable<Bench['ending']> }) {
  return (
    <p className={styles.quiet} data-testid="ending">
      {minutesText(ending.minutesLeft)} of this session left.{' '}
      {ending.fits.length > 0
        ? `Still fits: ${ending.fits
            .slice(0, 2)
            .map(({ job, minutes }) => `${jobWords(bench, job)} (${minutesText(minutes)})`)
            .join('; ')}.`
        : 'No whole job fits any more.'}
      {ending.rather.length > 0 && ` Better not begin: ${jobWords(bench, ending.rather[0]!.job)} (${WHY[ending.rather[0]!.why]}).`}
    </p>
  );
}
