import { useRef, useState } from 'react';
import { factsOf } from '../../core/scheme/techniques';
import type { BenchPicture } from '../../core/views/bench';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { minutesText } from '../../ui/format';
import { useNow } from '../shared/useNow';
import { Instruction } from './Instruction';
import { MissPicker } from './MissPicker';
import { NoteLine } from './NoteLine';
import { SidePanel } from './SidePanel';
import { TrayStrip } from './TrayStrip';
import { useBench, type Bench } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import styles from './View.module.css';

export function BenchView({ picture, commissionId }: { picture: BenchPicture | null; commissionId: string }) {
  if (!picture) {
    return (
      <Notice>
        <p>No line lies at this bench. Choose the order first, then take it here.</p>
        <LinkButton kind="main" href={`/c/${commissionId}/line`}>
          Lay out the line
        </LinkButton>
      </Notice>
    );
  }
  return <RunningBench picture={picture} commissionId={commissionId} />;
}

const TICK_MS = 1000;
const MINUTE_MS = 60_000;
/** After this long without a tap the painter is asked whether that was a break. */
const AWAY_MINUTES = 25;

function RunningBench({ picture, commissionId }: { picture: BenchPicture; commissionId: string }) {
  const bench = useBench(picture, commissionId);
  const started = picture.events.reduce((at, event) => Math.max(at, Date.parse(event.at)), Date.parse(picture.run.startedAt));
  const now = useNow(started, TICK_MS);
  const [asking, setAsking] = useState<'miss' | 'note' | null>(null);
  const main = useRef<HTMLButtonElement>(null);
  const { view, state, actions, job } = bench;

  /** Every small button hands the focus back, so that Space goes on meaning the model. */
  const back = (act: () => void) => () => {
    act();
    setAsking(null);
    main.current?.focus();
  };
  const fullScreen = () => void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen());
  const choices = asking === 'miss' && view.model !== null ? bench.passesOn(view.model) : [];
  useBenchKeys(
    {
      ' ': () => (asking === 'miss' && choices[0] ? back(() => actions.miss(choices[0]!.id, view.model!))() : actions.main()),
      backspace: actions.undo,
      p: actions.pause,
      m: () => setAsking(asking === 'miss' ? null : 'miss'),
      n: () => setAsking('note'),
      z: actions.touchUp,
      f: fullScreen,
      escape: back(() => undefined),
      ...Object.fromEntries(choices.slice(0, 9).map((each, index) => [String(index + 1), back(() => actions.miss(each.id, view.model!))])),
    },
    main,
  );

  const away =
    state.lastAt !== null &&
    state.workingSince !== null &&
    state.pausedSince === null &&
    now - state.lastAt > AWAY_MINUTES * MINUTE_MS &&
    !view.needsStart;
  return (
    <div className={styles.bench}>
      <div className={styles.work}>
        {job ? <Instruction bench={bench} paints={picture.paints} now={now} /> : <Finished commissionId={commissionId} bench={bench} />}
        {job && <TrayStrip bench={bench} now={now} />}
        {away && (
          <Notice kind="flag" role="alert">
            The last tap was {minutesText((now - state.lastAt!) / MINUTE_MS)} ago.{' '}
            <Button onClick={back(actions.wasBreak)}>That was a break</Button>
          </Notice>
        )}
        {bench.problem && (
          <Notice kind="flag" role="alert">
            {bench.problem}
          </Notice>
        )}
      </div>
      <SidePanel bench={bench} paints={picture.paints} now={now} onTakeUp={(id) => back(() => actions.takeUp(id))()} />
      <div className={styles.action}>
        {asking === 'miss' && (
          <MissPicker
            model={view.model}
            choices={choices}
            onPick={(id) => back(() => actions.miss(id, view.model!))()}
            onCancel={back(() => undefined)}
          />
        )}
        {asking === 'note' && <NoteLine onNote={(text) => back(() => actions.note(text))()} onCancel={back(() => undefined)} />}
        <div className={styles.small}>
          <Button onClick={back(actions.undo)} disabled={!state.lastUndoable}>
            Take back
          </Button>
          <Button onClick={back(actions.pause)} aria-pressed={state.pausedSince !== null}>
            {state.pausedSince === null ? 'Pause' : 'Paused'}
          </Button>
          <Button onClick={() => setAsking(asking === 'miss' ? null : 'miss')} disabled={view.model === null}>
            Missed a spot
          </Button>
          <Button onClick={back(actions.touchUp)} disabled={view.misses.length === 0}>
            Touched up
          </Button>
          <Button onClick={() => setAsking('note')}>Note</Button>
          <span className={styles.sent} role="status" data-unsent={bench.unsent}>
            {bench.unsent === 0 ? 'Every tap is stored' : `${bench.unsent} kept here, not sent yet`}
          </span>
        </div>
        <button type="button" ref={main} className={styles.main} onClick={actions.main} disabled={!job} data-testid="main">
          {mainLabel(bench, now)}
        </button>
      </div>
    </div>
  );
}

function mainLabel({ view, state, job }: Bench, now: number): string {
  if (!job || view.model === null) return 'Nothing left on this line';
  if (state.pausedSince !== null) return 'Go on';
  if (view.needsStart) return `Start: ${factsOf(job.technique).label.toLowerCase()} in hand`;
  return view.readyAt > now ? `Model ${view.model} is done, wet or not` : `Model ${view.model} is done`;
}

function Finished({ bench, commissionId }: { bench: Bench; commissionId: string }) {
  return (
    <div className={styles.finished}>
      <p className={styles.what}>This line is painted.</p>
      <p>
        {bench.view.misses.length > 0 ? `${bench.view.misses.length} missed spots still wait for a touch-up.` : 'No missed spot is open.'}{' '}
        Look the units over together, at arm&apos;s length.
      </p>
      <span className={styles.small}>
        <LinkButton href={`/c/${commissionId}/line`}>What is left of the commission</LinkButton>
        <LinkButton href="/">Today</LinkButton>
      </span>
    </div>
  );
}
