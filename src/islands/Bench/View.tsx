import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { useEffect, useRef, useState } from 'react';
import type { BenchPass } from '../../core/bench/guide/benchLine';
import type { MissedPlace } from '../../core/bench/guide/viewBench';
import type { BenchPicture } from '../../contract/bench';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Hidden } from '../../ui/Hidden/Hidden';
import { Notice } from '../../ui/Notice/Notice';
import { counted, minutesText, timeOfDayText } from '../../ui/format';
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
import { MissPicker, type MissStart } from './said/MissPicker';
import { NewDay } from './around/NewDay';
import { NoteLine } from './said/NoteLine';
import { References } from './guide/References';
import { SheetEntry } from './said/SheetEntry';
import { SidePanel } from './around/SidePanel';
import { LookAtOthers } from './around/LookAtOthers';
import { TouchUpPicker } from './said/TouchUpPicker';
import { TrayStrip } from './guide/TrayStrip';
import { leftOutOf } from '../../core/bench/guide/decisions';
import { Decide } from './said/Decide';
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

type Asking = { kind: 'miss'; start: MissStart | null } | { kind: 'touch-up' } | { kind: 'note' } | { kind: 'sheet' } | { kind: 'decide' };

function RunningBench({ picture, reload }: { picture: BenchPicture; reload: () => void }) {
  const now = useProgramNow(picture.now, TICK_MS);
  const bench = useBench(picture, reload, now);
  const [asking, setAsking] = useState<Asking | null>(null);
  const [missed, setMissed] = useState<{ pass: BenchPass; model: number } | null>(null);
  /** Where there is little room, what is pressed less often stands behind one button. */
  const [isMore, setMore] = useState(false);
  const main = useRef<HTMLButtonElement>(null);
  const action = useRef<HTMLDivElement>(null);
  usePanelFocus(action, asking && `${asking.kind} ${asking.kind === 'miss' ? (asking.start?.passKey ?? '') : ''}`);
  const { view, actions, job, clock } = bench;
  useReloadWhenOutdated(bench);
  useInstalledBench();

  /** Every small button hands the focus back, so that Space goes on meaning the model. */
  const back = (act: () => void) => () => {
    act();
    setAsking(null);
    setMore(false);
    main.current?.focus();
  };
  const ask = (next: Asking) => {
    setAsking(asking?.kind === next.kind ? null : next);
    setMore(false);
  };
  const lookAtOthers = (pass: BenchPass) => setAsking({ kind: 'miss', start: { passKey: pass.key, models: [] } });
  const miss = (pass: BenchPass, models: number[], note: string) => {
    actions.miss(pass, models, note);
    setMissed(models.length === 1 && models[0]! > 1 ? { pass, model: models[0]! } : null);
  };
  const touchUp = ({ passKey, model }: MissedPlace) => actions.touchUp(bench.passes.get(passKey)!, [model]);
  const choices = view.model !== null && job ? bench.passesOn(job.unitId, view.model) : [];
  const isQuickMiss = asking?.kind === 'miss' && asking.start === null && choices.length > 0;
  const byNumber = (index: number) => {
    if (isQuickMiss && choices[index]) back(() => miss(choices[index]!, [view.model!], ''))();
    else if (asking?.kind === 'decide' && bench.decisions[index]) back(() => actions.decide(bench.decisions[index]!))();
    else if (asking?.kind === 'touch-up' && view.misses[index]) back(() => touchUp(view.misses[index]!))();
  };
  const canDecide = job !== null || bench.line.units.some(({ id }) => leftOutOf(id, bench).length > 0);
  const surface = mainSurface(bench);
  const steady = useSteady(surface.meaning, bench.ownTaps);
  const act = () => (isQuickMiss || (asking?.kind === 'touch-up' && view.misses.length > 0) ? byNumber(0) : steady.press(actions.main));
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
      c: () => canDecide && ask({ kind: 'decide' }),
      z: () => ask({ kind: 'touch-up' }),
      x: () => bench.pass?.ifNeeded && back(actions.notNeeded)(),
      k: () => bench.mix.state === 'old' && back(actions.mixKept)(),
      e: back(actions.end),
      f: toggleFullScreen,
      escape: back(() => setMissed(null)),
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
            <LookAtOthers bench={bench} {...missed} onMark={() => lookAtOthers(missed.pass)} onFine={back(() => setMissed(null))} />
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
        {asking?.kind === 'miss' && (
          <MissPicker
            key={asking.start?.passKey}
            bench={bench}
            choices={choices}
            start={asking.start}
            onMiss={(pass, models, note) =>
              back(() => {
                miss(pass, models, note);
                if (asking.start) setMissed(null);
              })()
            }
            onCancel={back(() => undefined)}
          />
        )}
        {asking?.kind === 'touch-up' && (
          <TouchUpPicker
            bench={bench}
            onPick={(place) => back(() => touchUp(place))()}
            onTouchUp={(...place) => back(() => actions.touchUpAnywhere(...place))()}
            onCancel={back(() => undefined)}
          />
        )}
        {asking?.kind === 'decide' && canDecide && (
          <Decide
            bench={bench}
            decisions={bench.decisions}
            onDecide={(decision) => back(() => actions.decide(decision))()}
            onTakeBack={(without, models) => back(() => actions.takeBack(without, models))()}
            onPot={(pot, note) => back(() => actions.takePot(bench.pass!, pot, note))()}
            onTry={(pot, models) => back(() => actions.tryPot(bench.pass!, pot, models))()}
            onSettle={(verdict) => back(() => actions.settleTrial(bench.pass!, verdict))()}
            onCancel={back(() => undefined)}
          />
        )}
        {asking?.kind === 'note' && <NoteLine onNote={(text) => back(() => actions.note(text))()} onCancel={back(() => undefined)} />}
        {asking?.kind === 'sheet' && (
          <SheetEntry
            bench={bench}
            onTick={(ticked, models, minutes) => back(() => actions.tickOff(ticked, models, minutes))()}
            onTickStage={(stage, minutes) => back(() => actions.tickStage(stage, minutes))()}
            onCancel={back(() => undefined)}
          />
        )}
        <div className={styles.small} data-more={isMore}>
          <Button onClick={back(actions.undo)} disabled={!clock.lastUndoable}>
            Undo
          </Button>
          <Button onClick={back(actions.pause)} aria-pressed={view.clock.pausedSince !== null}>
            {view.clock.pausedSince === null ? 'Pause' : 'Paused'}
          </Button>
          <Button onClick={() => ask({ kind: 'miss', start: null })}>Missed a spot</Button>
          <Button className={styles.moreButton} aria-expanded={isMore} onClick={() => setMore(!isMore)}>
            More
          </Button>
          <div className={styles.extra}>
            <Button onClick={() => ask({ kind: 'touch-up' })}>Touched up</Button>
            <Button onClick={back(actions.setAside)} disabled={view.model === null}>
              Set aside
            </Button>
            <Button onClick={() => ask({ kind: 'decide' })} disabled={!canDecide}>
              Decide
            </Button>
            <Button onClick={() => ask({ kind: 'note' })}>Note</Button>
            <Button onClick={() => ask({ kind: 'sheet' })} disabled={!job}>
              From the leg sheet
            </Button>
            <Button onClick={back(actions.end)} disabled={view.clock.current === null}>
              Enough for today
            </Button>
            <Button onClick={back(toggleFullScreen)}>Full screen</Button>
          </div>
          <time className={styles.timeOfDay} data-testid="time-of-day">
            {timeOfDayText(now)}
          </time>
          <span className={styles.sent} role="status" data-unsent={bench.unsent} data-heard={bench.isHeard}>
            {bench.unsent === 0 ? 'Saved' : `${counted(bench.unsent, 'tap')} kept here, not sent yet`}
          </span>
        </div>
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
        <Hidden>
          <span role="status" data-testid="heard">
            {heard}
          </span>
        </Hidden>
      </div>
    </div>
  );
}

function toggleFullScreen(): void {
  void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen());
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
