import { useState } from 'react';
import { ulid } from 'ulid';
import { type StoredPaint } from '../../core/scheme/model/definitions';
import { PAINT_KINDS } from '../../core/scheme/model/paintKinds';
import { commonPaints } from '../../core/scheme/authoring/starters';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { counted } from '../../ui/format';
import { send } from '../client/api';
import { Carriers } from './Carriers';
import styles from './View.module.css';

const kindOptions = PAINT_KINDS.map((value) => ({ value, label: value }));
const emptyPaint = (): StoredPaint => ({ revision: 0, id: ulid(), name: '', hex: '#8a5a33', kind: 'opaque', dryMinutes: null });

interface ShelfViewProps {
  paints: StoredPaint[];
  /** How many units use a paint, by its id. */
  unitsUsing: Record<string, number>;
}

export function ShelfView({ paints: initial, unitsUsing }: ShelfViewProps) {
  const [paints, setPaints] = useState(initial);
  const [inHand, setInHand] = useState<StoredPaint | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [wanted, setWanted] = useState('');
  const shown = paints.filter((paint) => `${paint.name} ${paint.kind}`.toLowerCase().includes(wanted.toLowerCase()));

  const keep = async () => {
    if (!inHand) return;
    const { revision, ...values } = inHand;
    const paint = { ...values, name: inHand.name.trim() };
    if (paints.some((other) => other.id !== paint.id && other.name.toLowerCase() === paint.name.toLowerCase())) {
      return setError(`"${paint.name}" is on the shelf already: change that one, or give this another name.`);
    }
    try {
      const answer = await send<{ revision: number }>('PUT', '/api/paints', { revision, paint });
      setPaints((all) =>
        [...all.filter((other) => other.id !== paint.id), { ...paint, ...answer }].sort((a, b) => a.name.localeCompare(b.name)),
      );
      setInHand(null);
      setError(null);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };

  const fill = async () => {
    try {
      for (const paint of commonPaints(ulid)) {
        const answer = await send<{ revision: number }>('PUT', '/api/paints', { revision: 0, paint });
        setPaints((all) => [...all, { ...paint, ...answer }].sort((a, b) => a.name.localeCompare(b.name)));
      }
    } catch (problem) {
      setError((problem as Error).message);
    }
  };

  return (
    <div className={styles.view}>
      <Panel
        title={counted(paints.length, 'paint')}
        aside={<TextField label="Find a paint" hideLabel placeholder="Find" value={wanted} onChange={setWanted} />}
      >
        {paints.length === 0 && (
          <>
            <p>The shelf is empty. Put the first paint on it here, or while you write a scheme.</p>
            <Button onClick={() => void fill()}>Put thirty common colours on it, by plain names</Button>
          </>
        )}
        <ul className={styles.shelf}>
          {shown.map((paint) => (
            <li key={paint.id}>
              <button
                type="button"
                className={cx(styles.pot, inHand?.id === paint.id && styles.inHand)}
                aria-pressed={inHand?.id === paint.id}
                onClick={() => setInHand(paint)}
              >
                <Swatch hex={paint.hex} kind={paint.kind} />
                <span>
                  {paint.name}
                  <small>
                    {paint.kind}
                    {unitsUsing[paint.id] !== undefined && `, on ${counted(unitsUsing[paint.id]!, 'unit')}`}
                  </small>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </Panel>
      <Panel title={inHand ? 'The paint in hand' : 'Add paint'}>
        {inHand ? (
          <form
            className={styles.form}
            onSubmit={(event) => {
              event.preventDefault();
              void keep();
            }}
          >
            <Swatch hex={inHand.hex} kind={inHand.kind} size="large" />
            <TextField
              label="Name, as on the label"
              required
              value={inHand.name}
              onChange={(name) => setInHand({ ...inHand, name })}
              autoFocus
            />
            <TextField label="Colour" type="color" value={inHand.hex} onChange={(hex) => setInHand({ ...inHand, hex })} />
            <SelectField label="Kind" value={inHand.kind} options={kindOptions} onChange={(kind) => setInHand({ ...inHand, kind })} />
            <NumberField
              live
              label="Dry after, if the label says so"
              unit="min"
              optional
              min={0}
              max={10000}
              value={inHand.dryMinutes}
              onChange={(dryMinutes) => setInHand({ ...inHand, dryMinutes })}
            />
            {error && (
              <Notice kind="flag" role="alert">
                {error}
              </Notice>
            )}
            <span className={styles.tools}>
              <Button kind="main" type="submit">
                Save
              </Button>
              <Button onClick={() => setInHand(null)}>Cancel</Button>
            </span>
            {paints.some((paint) => paint.id === inHand.id) && <Carriers key={inHand.id} paintId={inHand.id} />}
          </form>
        ) : (
          <Button onClick={() => setInHand(emptyPaint())}>Add paint</Button>
        )}
      </Panel>
    </div>
  );
}
