import { useState } from 'react';
import {
  OTHER_WORK,
  OTHER_WORK_LABELS,
  otherMinutes,
  otherMinutesOf,
  type OtherWork,
  type OtherWorkKind,
} from '../../core/bench/otherWork';
import type { OtherWorkPicture } from '../../contract/otherWork';
import { Button } from '../../ui/Button/Button';
import { SelectField } from '../../ui/Field/Field';
import { clockText, minutesText, momentText } from '../../ui/format';
import { send } from '../client/api';
import { CorrectMinutes } from './CorrectMinutes';
import { programNow } from '../client/clock';
import { useAttempt } from '../client/useAttempt';
import { useNow } from './useNow';
import { usePicture } from '../client/usePicture';
import styles from './OtherWork.module.css';

const KINDS = OTHER_WORK.map((value) => ({ value, label: OTHER_WORK_LABELS[value] }));
const TICK_MS = 1000;
const ROWS_SHOWN = 12;

interface OtherWorkProps {
  /** The commission it is for; null asks which. */
  commissionId: string | null;
  /** Lists what was done, to be corrected. */
  isListed?: boolean;
}

/** The clock of work that is no painting: it counts for the commission and its pay, and never in the pace of painting. */
export function OtherWorkClock({ commissionId, isListed = false }: OtherWorkProps) {
  const { picture, reload } = usePicture<OtherWorkPicture>(
    commissionId === null ? '/api/other-work' : `/api/other-work?commission=${encodeURIComponent(commissionId)}`,
  );
  const [kind, setKind] = useState<OtherWorkKind>('photographs');
  const [chosen, setChosen] = useState<string | null>(null);
  const [removed, setRemoved] = useState<OtherWork | null>(null);
  const { error, attempt } = useAttempt(reload);
  const now = useNow(picture?.now ?? 0, TICK_MS, programNow);
  if (!picture) return <div className={styles.clock} />;
  const { running, work, commissions } = picture;
  const target = commissionId ?? chosen ?? commissions[0]?.id;
  const nameOf = (id: string) => commissions.find((each) => each.id === id)?.name ?? '';
  const put = ({ id, ...rest }: OtherWork) => attempt(send('PUT', `/api/other-work/${id}`, rest));
  const remove = (of: OtherWork) => {
    setRemoved(of);
    attempt(send('PUT', `/api/other-work/${of.id}/removed`, {}));
  };
  return (
    <div className={styles.clock} data-testid="other-work">
      {error && <p role="alert">{error}</p>}
      {running ? (
        <div className={styles.running}>
          <span>
            <strong data-testid="other-clock">{clockText(Math.max(0, (now - Date.parse(running.startedAt)) / 1000))}</strong>{' '}
            {OTHER_WORK_LABELS[running.kind].toLowerCase()}
            {running.commissionId !== commissionId && `, ${nameOf(running.commissionId)}`}; painting is paused
          </span>
          <Button onClick={() => attempt(send('POST', '/api/other-work/stop', {}))}>Stop</Button>
        </div>
      ) : (
        <div className={styles.start}>
          {commissionId === null && commissions.length > 1 && (
            <SelectField
              label="Commission"
              hideLabel
              value={target ?? ''}
              options={commissions.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setChosen}
            />
          )}
          <SelectField label="Other work" hideLabel value={kind} options={KINDS} onChange={setKind} />
          <Button
            disabled={target === undefined}
            onClick={() => attempt(send('POST', '/api/other-work', { commissionId: target, kind, minutes: null, note: '' }))}
          >
            Start timer
          </Button>
        </div>
      )}
      {isListed && (
        <>
          <p data-testid="other-total">
            {work.length === 0
              ? 'Nothing yet. Time logged here counts for the commission and its pay, not for your pace.'
              : `${minutesText(otherMinutesOf(work, now))} of other work; it counts for the commission and its pay, not for your pace.`}
          </p>
          <ul>
            {work.slice(0, ROWS_SHOWN).map((each) => (
              <OtherLine key={each.id} work={each} now={now} onSave={put} onRemove={() => remove(each)} />
            ))}
          </ul>
          {work.length > ROWS_SHOWN && <p>and {work.length - ROWS_SHOWN} earlier ones.</p>}
          {removed && (
            <p>
              {OTHER_WORK_LABELS[removed.kind]} was removed.{' '}
              <Button
                kind="quiet"
                onClick={() => {
                  put(removed);
                  setRemoved(null);
                }}
              >
                Undo
              </Button>
            </p>
          )}
        </>
      )}
    </div>
  );
}

interface OtherLineProps {
  work: OtherWork;
  now: number;
  onSave: (work: OtherWork) => void;
  onRemove: () => void;
}

function OtherLine({ work, now, onSave, onRemove }: OtherLineProps) {
  const minutes = otherMinutes(work, now);
  const [isEditing, setEditing] = useState(false);
  return (
    <li>
      <span>
        {momentText(Date.parse(work.startedAt))}, {OTHER_WORK_LABELS[work.kind].toLowerCase()}:{' '}
        {minutes === null ? <strong>how long?</strong> : minutesText(minutes)}
        {work.endedAt === null && ' so far'}
      </span>
      {isEditing ? (
        <span className={styles.edit}>
          <CorrectMinutes
            minutes={minutes}
            onSave={(typed) => {
              onSave({ ...work, minutes: typed, endedAt: work.endedAt ?? new Date(now).toISOString() });
              setEditing(false);
            }}
            onCancel={() => setEditing(false)}
          />
        </span>
      ) : (
        <span className={styles.edit}>
          <Button kind="quiet" onClick={() => setEditing(true)}>
            Correct
          </Button>
          <Button kind="quiet" onClick={onRemove}>
            Remove
          </Button>
        </span>
      )}
    </li>
  );
}
