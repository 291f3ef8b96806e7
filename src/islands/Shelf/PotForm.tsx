import { useState } from 'react';
import { ulid } from 'ulid';
import { fullMl, type ShelfPaint } from '../../core/paint/shelf';
import { mlWords } from '../../core/paint/amountWords';
import { PAINT_KINDS } from '../../core/scheme/model/paintKinds';
import type { ShelfPicture } from '../../contract/shelf';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { Notice } from '../../ui/Notice/Notice';
import { Swatch } from '../../ui/Swatch/Swatch';
import { dayOfText } from '../../ui/format';
import { send } from '../client/api';
import { useAttempt } from '../client/useAttempt';
import { MoneyField } from '../shared/MoneyField';
import { Carriers } from './Carriers';
import { Substitutes } from './Substitutes';
import { jobText } from './words';
import styles from './View.module.css';

const kindOptions = PAINT_KINDS.map((value) => ({ value, label: value }));
/** An opened pot that is older is asked about. */
const OLD_DAYS = 730;
const DAY_MS = 86_400_000;

interface PotFormProps {
  shelf: ShelfPicture;
  paint: ShelfPaint;
  /** It is on the shelf already. */
  isKnown: boolean;
  /** By keyboard the form is a long way off from the pot that was chosen. */
  takesFocus: boolean;
  onDone: () => void;
  onChanged: () => void;
  onCancel: () => void;
}

/** All that is known of one paint and its pot. */
export function PotForm({ shelf, paint, isKnown, takesFocus, onDone, onChanged, onCancel }: PotFormProps) {
  const [draft, setDraft] = useState(paint);
  const [clash, setClash] = useState<string | null>(null);
  const saving = useAttempt(onDone);
  const change = (to: Partial<ShelfPaint>) => setDraft({ ...draft, ...to });
  const need = shelf.needs.find(({ paintId }) => paintId === paint.id);
  const save = () => {
    const { revision, strength: _learned, ...values } = draft;
    const name = draft.name.trim();
    const isTaken = shelf.paints.some((other) => other.id !== paint.id && other.name.toLowerCase() === name.toLowerCase());
    setClash(isTaken ? `"${name}" is on the shelf already: change that one, or give this another name.` : null);
    if (!isTaken) saving.attempt(send('PUT', '/api/paints', { revision, paint: { ...values, name } }));
  };
  const error = clash ?? saving.error;
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Swatch hex={draft.hex} kind={draft.kind} size="large" />
      <TextField label="Name, as on the label" required value={draft.name} onChange={(name) => change({ name })} autoFocus={takesFocus} />
      {isKnown && <Level shelf={shelf} paint={draft} onChanged={onChanged} />}
      <span className={styles.pair}>
        <TextField label="Colour" type="color" value={draft.hex} onChange={(hex) => change({ hex })} />
        <SelectField label="Kind" value={draft.kind} options={kindOptions} onChange={(kind) => change({ kind })} />
      </span>
      <span className={styles.pair}>
        <TextField label="Maker" value={draft.maker} onChange={(maker) => change({ maker })} />
        <TextField label="Place in the rack" value={draft.place} onChange={(place) => change({ place })} />
      </span>
      <span className={styles.pair}>
        <NumberField
          live
          optional
          label="In a new pot"
          unit="ml"
          min={0.1}
          max={5000}
          value={draft.volumeMl}
          onChange={(volumeMl) => change({ volumeMl })}
        />
        <MoneyField
          live
          optional
          label="Price of a pot"
          currency={shelf.currency}
          valueMinor={draft.priceMinor}
          onChange={(priceMinor) => change({ priceMinor })}
        />
      </span>
      <span className={styles.pair}>
        <TextField
          label="Opened on"
          type="date"
          value={draft.openedOn ?? ''}
          onChange={(openedOn) => change({ openedOn: openedOn === '' ? null : openedOn })}
        />
        <NumberField
          live
          label="Dry after, if the label says so"
          unit="min"
          optional
          min={0}
          max={10000}
          value={draft.dryMinutes}
          onChange={(dryMinutes) => change({ dryMinutes })}
        />
      </span>
      <label className={styles.tick}>
        <input type="checkbox" checked={draft.discontinued} onChange={(event) => change({ discontinued: event.target.checked })} />
        Cannot be bought any more
      </label>
      <label className={styles.tick}>
        <input type="checkbox" checked={draft.spoilt} onChange={(event) => change({ spoilt: event.target.checked })} />
        Spoilt: nothing of it is used
      </label>
      {!draft.spoilt && isOld(draft.openedOn) && (
        <Notice kind="caution">
          Opened more than two years ago. Stir it and look: lumps, mould or skin mean it is spoilt. Do not judge it by its smell. What the
          label and local rules say about waste comes first; not down the drain.
        </Notice>
      )}
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <span className={styles.tools}>
        <Button kind="main" type="submit">
          Save
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </span>
      {isKnown && (
        <>
          {need && (
            <p data-testid="need">
              Open work takes {mlWords(need.needMl)}: {need.byCommission.map(({ name, ml }) => `${name} ${mlWords(ml)}`).join(', ')}.
              {need.dry && ` Runs dry: ${need.dry.planned ? jobText(need.dry.planned) : 'on work that is not planned yet'}.`}
            </p>
          )}
          <Substitutes shelf={shelf} paint={paint} onChanged={onChanged} />
          <Carriers key={paint.id} paintId={paint.id} />
          <Remove shelf={shelf} paint={paint} onDone={onDone} />
        </>
      )}
    </form>
  );
}

const isOld = (openedOn: string | null): boolean => openedOn !== null && Date.now() - Date.parse(openedOn) > OLD_DAYS * DAY_MS;

/** What is left in the pot, as it is read: measured, or by eye in tenths. */
function Level({ shelf, paint, onChanged }: { shelf: ShelfPicture; paint: ShelfPaint; onChanged: () => void }) {
  const { error, attempt } = useAttempt(onChanged);
  const last = shelf.levels.findLast(({ paintId }) => paintId === paint.id);
  const left = shelf.left[paint.id];
  const read = (ml: number | null, byEye: boolean) =>
    ml !== null && attempt(send('PUT', '/api/shelf/levels', { levels: [{ id: ulid(), paintId: paint.id, ml, byEye }] }));
  return (
    <fieldset className={styles.level} data-testid="level">
      <legend>What is left</legend>
      {left !== undefined && last && (
        <p>
          {mlWords(left)} now; read {mlWords(last.ml)} on {dayOfText(Date.parse(last.at))}{' '}
          <Button kind="quiet" onClick={() => attempt(send('PUT', `/api/shelf/levels/${last.id}/removed`, {}))}>
            Undo this level
          </Button>
        </p>
      )}
      <span className={styles.pair}>
        <NumberField label="Measured" unit="ml" optional min={0} max={5000} value={null} onChange={(ml) => read(ml, false)} />
        <SelectField
          label="By eye"
          value=""
          options={[
            { value: '', label: 'choose' },
            ...Array.from({ length: 11 }, (_, tenths) => ({ value: String(10 - tenths), label: tenthsText(10 - tenths) })),
          ]}
          onChange={(tenths) => tenths !== '' && read((Number(tenths) / 10) * fullMl(paint), true)}
        />
      </span>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
    </fieldset>
  );
}

const tenthsText = (tenths: number): string => (tenths === 0 ? 'empty' : tenths === 10 ? 'full' : `${tenths} tenths`);

function Remove({ shelf, paint, onDone }: { shelf: ShelfPicture; paint: ShelfPaint; onDone: () => void }) {
  const { error, attempt } = useAttempt(onDone);
  if (shelf.unitsUsing[paint.id] !== undefined) return null;
  return (
    <>
      <Button kind="quiet" onClick={() => attempt(send('PUT', `/api/paints/${paint.id}/removed`, {}))}>
        Take {paint.name} off the shelf
      </Button>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
    </>
  );
}
