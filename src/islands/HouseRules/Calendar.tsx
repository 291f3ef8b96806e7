import { useState } from 'react';
import { ulid } from 'ulid';
import type { Away } from '../../core/scheme/model/houseRules';
import type { AwayRead } from '../../contract/calendar';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { FileButton } from '../../ui/FileButton/FileButton';
import { Notice } from '../../ui/Notice/Notice';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import { counted, dayOfText, minutesText, momentText } from '../../ui/format';
import { X } from '../../ui/icons';
import { sendFile } from '../client/api';
import { programNow } from '../client/clock';
import styles from './View.module.css';

const SHOWN = 8;
const FEED = '/api/calendar';

/** What is taken out of the sessions, and the program's own calendar to be followed. */
export function Calendar({ away, onChange }: { away: readonly Away[]; onChange: (away: Away[]) => void }) {
  const [read, setRead] = useState<AwayRead | null>(null);
  const [error, setError] = useState<string | null>(null);
  const coming = away.filter(({ to }) => Date.parse(to) > programNow()).sort((a, b) => (a.from < b.from ? -1 : 1));
  const open = (file: File) => {
    setError(null);
    sendFile<AwayRead>('/api/calendar/away', file).then(setRead, (problem: Error) => {
      setRead(null);
      setError(`${file.name}: ${problem.message}`);
    });
  };
  return (
    <Panel
      {...settingPanel('calendar')}
      aside={
        <FileButton label="Calendar file" accept=".ics,text/calendar" onChoose={open}>
          Read a calendar file
        </FileButton>
      }
    >
      {error && <p role="alert">{error}</p>}
      {read && (
        <Preview
          read={read}
          onTake={() => {
            onChange(read.away);
            setRead(null);
          }}
          onCancel={() => setRead(null)}
        />
      )}
      {coming.length === 0 && <p className={styles.learned}>None. Every session of the week counts.</p>}
      <ul className={styles.away} data-testid="away">
        {coming.slice(0, SHOWN).map((each) => (
          <li key={each.uid}>
            <span>
              {momentText(Date.parse(each.from))} to {momentText(Date.parse(each.to))}
              {each.what !== '' && `: ${each.what}`}
            </span>
            <Button
              kind="quiet"
              aria-label={`Remove ${each.what || 'the time'} of ${momentText(Date.parse(each.from))}`}
              onClick={() => onChange(away.filter(({ uid }) => uid !== each.uid))}
            >
              <X aria-hidden="true" size={16} />
            </Button>
          </li>
        ))}
      </ul>
      {coming.length > SHOWN && <p>and {coming.length - SHOWN} more</p>}
      <NewAway onAdd={(each) => onChange([...away, each])} />
      <p className={styles.learned}>
        Your own calendar can follow this program: sessions, what dries outside them, curing, parcels and dates. Its address here is{' '}
        <a href={FEED}>{FEED}</a>, the same as a file to save.
      </p>
    </Panel>
  );
}

function Preview({ read, onTake, onCancel }: { read: AwayRead; onTake: () => void; onCancel: () => void }) {
  const { added, changed, minutes, dates } = read;
  const isNew = added + changed > 0;
  return (
    <Notice role="status">
      <p>
        {isNew
          ? `${counted(added, 'time')} to be taken${changed > 0 ? `, ${changed} changed` : ''}: ${minutesText(minutes)} of sessions fall away.`
          : 'All of it is taken already; nothing would change.'}
      </p>
      {isNew && (
        <ul>
          {dates.map(({ name, before, after }) => (
            <li key={name}>
              {name}: done {dayWords(before)}
              {dayWords(before) === dayWords(after) ? ', as before' : `, then ${dayWords(after)}`} (cautious)
            </li>
          ))}
        </ul>
      )}
      {isNew && <Button onClick={onTake}>Take them out of the sessions</Button>}
      <Button kind="quiet" onClick={onCancel}>
        {isNew ? 'Cancel' : 'Close'}
      </Button>
    </Notice>
  );
}

const dayWords = (at: number | null): string => (at === null ? 'on no day that is known' : dayOfText(at));

/** One evening or a holiday, by hand: whole days. */
function NewAway({ onAdd }: { onAdd: (away: Away) => void }) {
  const [first, setFirst] = useState('');
  const [last, setLast] = useState('');
  const [what, setWhat] = useState('');
  const end = last === '' ? first : last;
  const isReady = first !== '' && end >= first;
  const add = () => {
    const [year, month, day] = end.split('-').map(Number);
    onAdd({
      uid: ulid(),
      from: new Date(`${first}T00:00:00`).toISOString(),
      to: new Date(year!, month! - 1, day! + 1).toISOString(),
      what: what.trim(),
    });
    setFirst('');
    setLast('');
    setWhat('');
  };
  return (
    <div className={styles.newAway}>
      <TextField label="Away from" type="date" value={first} onChange={setFirst} />
      <TextField label="until" type="date" value={last} onChange={setLast} />
      <TextField label="Why" value={what} maxLength={200} onChange={setWhat} />
      <Button onClick={add} disabled={!isReady}>
        Add
      </Button>
    </div>
  );
}
