import type { BenchPicture } from '../../contract/bench';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted } from '../../ui/format';
import { useAwake } from '../client/useAwake';
import { useBenchKeys } from '../client/taps/useBenchKeys';
import { useHold } from '../client/taps/useHold';
import { Opened } from '../shared/Opened';
import { useProgramNow } from '../shared/useProgramNow';
import { useRef } from 'react';
import { mainSurface } from './guide/mainSurface';
import { useBench } from './taps/useBench';
import { useSteady } from './taps/useSteady';
import { unitWords } from './words';
import styles from './Pedal.module.css';

const TICK_MS = 1000;

/** The big button of the bench on a screen of its own: a telephone on the floor or beside the water pot. */
export function PedalView({ hasLine }: { hasLine: boolean }) {
  if (!hasLine)
    return (
      <Notice>
        <p>Nothing is on the bench yet: put a line on it, then this is its big button.</p>
        <LinkButton kind="main" href="/line">
          Plan a line
        </LinkButton>
      </Notice>
    );
  return (
    <Opened<BenchPicture> url="/api/bench" what="the pedal">
      {(picture, reload) => <Pedal picture={picture} reload={reload} />}
    </Opened>
  );
}

function Pedal({ picture, reload }: { picture: BenchPicture; reload: () => void }) {
  const now = useProgramNow(picture.now, TICK_MS);
  const bench = useBench(picture, reload, now);
  const { actions, job, view } = bench;
  const surface = mainSurface(bench);
  const steady = useSteady(surface.meaning, bench.ownTaps);
  const press = () => steady.press(actions.main);
  const held = useHold(press, actions.undo);
  const button = useRef<HTMLButtonElement>(null);
  useBenchKeys({ ' ': press, backspace: actions.undo }, button, { key: picture.house.pedal, press, hold: actions.undo });
  useAwake(view.clock.workingSince !== null && view.clock.pausedSince === null);
  return (
    <button
      type="button"
      ref={button}
      className={styles.pedal}
      data-meaning={surface.meaning}
      data-testid="pedal-button"
      onPointerDown={() => held.down()}
      onPointerUp={() => held.up()}
      onPointerCancel={() => held.cancel()}
      onPointerLeave={() => held.cancel()}
      onContextMenu={(event) => event.preventDefault()}
    >
      <strong>{surface.text}</strong>
      {surface.more ?? (job && unitWords(bench, job.unitId))}
      <small role="status" data-unsent={bench.unsent}>
        {bench.problem ?? (bench.unsent > 0 ? `${counted(bench.unsent, 'tap')} kept here, not sent yet` : 'Hold to undo')}
      </small>
    </button>
  );
}
