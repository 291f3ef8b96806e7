import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { useEffect, useRef } from 'react';
import type { BenchPicture } from '../../contract/bench';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Hidden } from '../../ui/Hidden/Hidden';
import { Notice } from '../../ui/Notice/Notice';
import { minutesText } from '../../ui/format';
import { useProgramNow } from '../shared/useProgramNow';
import { useInstalledBench } from '../installed/useInstalledBench';
import { useAwake } from '../client/useAwake';
import { usePicture } from '../client/usePicture';
import { Advice } from './guide/Advice';
import { Changes } from './around/Changes';
import { EveningEnd } from './around/EveningEnd';
import { Finished } from './around/Finished';
import { Instruction } from './guide/Instruction';
import { mainSurface } from './guide/mainSurface';
import { NewDay } from './around/NewDay';
import { References } from './guide/References';
import { SidePanel } from './around/SidePanel';
import { SmallButtons } from './around/SmallButtons';
import { LookAtOthers } from './around/LookAtOthers';
import { TrayStrip } from './guide/TrayStrip';
import { Asked } from './said/Asked';
import { toggleFullScreen } from './taps/fullScreen';
import { useAsking } from './taps/useAsking';
import { useBench, type Bench } from './taps/useBench';
import { useBenchKeys } from '../client/taps/useBenchKeys';
import { useSignals } from './taps/useSignals';
import { useSteady } from './taps/useSteady';
import { usePanelFocus } from './taps/usePanelFocus';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

const NOTHING_KNOWN = 'Nothing is on the bench yet. Choose units and an order first, then put the line on the bench.';

export function BenchView({ hasLine }: { hasLine: boolean }) {
  const { picture, error, reload } = usePicture<BenchPicture | null>('/api/bench');
  if (error !== null && !picture)
    return (
      <Notice kind="flag" role="alert">
        {error}
      </Notice>
    );
  if (picture === undefined && hasLine)
    return (
      <p role="status">
        <Working label="Opening the bench …" />
      </p>
    );
  if (!picture)
    return (
      <Notice>
        <p>{NOTHING_KNOWN}</p>
        <LinkButton kind="main" href="/line">
          Plan a line
        </LinkButton>
      </Notice>
    );
  return <RunningBench picture={picture} reload={reload} />;
}

const TICK_MS = 1000;
/** After this long without a tap the painter is asked whether that was a break; before a start, when nothing was wet all that time, sooner. */
const AWAY_MINUTES = 25;
const AWAY_BEFORE_START_MINUTES = 10;

function RunningBench({ picture, reload }: { picture: BenchPicture; reload: () => void }) {
  const now = useProgramNow(picture.now, TICK_MS);
  const bench = useBench(picture, reload, now);
  const main = useRef<HTMLButtonElement>(null);
  const action = useRef<HTMLDivElement>(null);
  const questions = useAsking(bench, main);
  const { asking, missed, back, ask, forgetMissed, lookAtOthers, byNumber } = questions;
  usePanelFocus(action, asking && `${asking.kind} ${asking.kind === 'miss' ? (asking.start?.passKey ?? '') : ''}`);
  const { view, actions, job, clock } = bench;
  useReloadWhenOutdated(bench);
  useInstalledBench();
  const surface = mainSurface(bench);
  const steady = useSteady(surface.meaning, bench.ownTaps);
  const act = () => (questions.isAnswered ? byNumber(0) : steady.press(actions.main));
  useBenchKeys(
    {
      ' ': act,
      backspace: back(actions.undo),
      d: back(actions.takeOffer),
      s: back(actions.setAside),
      p: back(actions.pause),
      m: () => ask({ kind: 'miss', start: null }),
      l: () => missed && lookAtOthers(missed.pass),
      n: () => ask({ kind: 'note' }),
      c: () => questions.canDecide && ask({ kind: 'decide' }),
      z: () => ask({ kind: 'touch-up' }),
      x: () => bench.pass?.ifNeeded && back(actions.notNeeded)(),
      k: () => bench.mix.state === 'old' && back(actions.mixKept)(),
      e: back(actions.end),
      f: toggleFullScreen,
      escape: back(forgetMissed),
      ...Object.fromEntries(Array.from({ length: 9 }, (_, index) => [String(index + 1), () => byNumber(index)])),
    },
    main,
    { key: picture.house.pedal, press: act, hold: back(actions.undo) },
  );
  useAwake(clock.workingSince !== null && view.clock.pausedSince === null);
  const heard = useSignals(bench, now);
  useTitle(heard === '' ? null : heard, surface.meaning === 'wet' ? surface.text : null);

  const { lastAt, workingSince, pausedSince } = view.clock;
  const readyAt = job && view.needsStart ? view.readiness.firstReadyAt(job) : 0;
  const isAway =
    lastAt !== null &&
    workingSince !== null &&
    pausedSince === null &&
    now - Math.max(lastAt, readyAt) > (view.needsStart ? AWAY_BEFORE_START_MINUTES : AWAY_MINUTES) * MINUTE_MS;
  /** Until the next sitting: then the work stands there again. */
  const isEvening = bench.hasEnded && lastAt !== null && now - lastAt < SITTING_GAP_MINUTES * MINUTE_MS;
  return (
    <div className={styles.bench}>
      <div className={styles.scene}>
        <div className={styles.work}>
          {isEvening && <EveningEnd bench={bench} now={now} />}
          {!isEvening && job && <NewDay bench={bench} now={now} />}
          {job ? (
            <Instruction bench={bench} now={now} onMixKept={back(actions.mixKept)} onStartEarly={back(actions.startEarly)} />
          ) : (
            <Finished bench={bench} onLookOver={() => ask({ kind: 'miss', start: null })} />
          )}
          {job && !isEvening && <TrayStrip bench={bench} now={now} onPick={(model) => back(() => actions.pick(job, model))()} />}
          <References bench={bench} />
          <Advice
            bench={bench}
            now={now}
            onOffer={back(actions.takeOffer)}
            onLooked={(look) => back(() => actions.looked(look))()}
            onNotNeeded={back(actions.notNeeded)}
          />
          {missed && missed.model > 1 && asking === null && (
            <LookAtOthers bench={bench} {...missed} onMark={() => lookAtOthers(missed.pass)} onFine={back(forgetMissed)} />
          )}
          {isAway && (
            <Notice kind="flag" role="alert">
              The last tap was {minutesText((now - lastAt) / MINUTE_MS)} ago.{' '}
              <Button onClick={back(actions.wasBreak)}>That was a break</Button>
            </Notice>
          )}
          {steady.isHeld && (
            <Notice kind="flag" role="alert">
              What the button does has just changed, and not by a tap of yours: look, then press again.
            </Notice>
          )}
          <Changes bench={bench} reload={reload} />
          {bench.problem && (
            <Notice kind="flag" role="alert">
              {bench.problem}
            </Notice>
          )}
        </div>
        <SidePanel
          bench={bench}
          now={now}
          onTakeUp={(next) => back(() => actions.takeUp(next))()}
          onBringBack={(unit, models) => back(() => actions.bringBack(unit, models))()}
        />
      </div>
      <div className={styles.action} ref={action}>
        <Asked bench={bench} questions={questions} />
        <SmallButtons bench={bench} questions={questions} now={now} />
        <button
          type="button"
          ref={main}
          className={styles.main}
          onClick={act}
          disabled={!job}
          data-meaning={surface.meaning}
          data-testid="main"
        >
          {surface.text}
          {surface.more && <small>{surface.more}</small>}
        </button>
      </div>
      <Hidden>
        <span role="status" data-testid="heard">
          {heard}
        </span>
      </Hidden>
    </div>
  );
}

const TITLE = 'Bench · Neat Relay';

/** Seen from another window: what was told last, or when the work goes on. */
function useTitle(heard: string | null, waiting: string | null): void {
  useEffect(() => {
    document.title = [waiting ?? heard, TITLE].filter((part) => part !== null).join(' · ');
  }, [heard, waiting]);
}

/** A window of an earlier version brings itself up to date as soon as nothing is on its way. */
function useReloadWhenOutdated({ isOutdated, unsent }: Bench): void {
  useEffect(() => {
    if (isOutdated && unsent === 0) window.location.reload();
  }, [isOutdated, unsent]);
}
