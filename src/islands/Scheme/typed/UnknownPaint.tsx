import { useState } from 'react';
import { ulid } from 'ulid';
import type { Paint } from '../../../core/scheme/model/definitions';
import { PAINT_KINDS, type PaintKind } from '../../../core/scheme/model/paintKinds';
import { usualKind, type Technique } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { firstColour } from '../step/firstColour';
import styles from './typed.module.css';

interface UnknownPaintProps {
  name: string;
  technique: Technique;
  /** How many are on the shelf. */
  paints: number;
  onNewPaint: (paint: Paint) => Promise<void>;
}

const kindOptions = PAINT_KINDS.map((value) => ({ value, label: value }));

/** A paint that was typed and is not on the shelf: its colour and kind, and it is there. */
export function UnknownPaint({ name, technique, paints, onNewPaint }: UnknownPaintProps) {
  const [hex, setHex] = useState(() => firstColour(paints));
  const [kind, setKind] = useState<PaintKind>(() => usualKind(technique));
  const [error, setError] = useState<string | null>(null);
  const add = () => void onNewPaint({ id: ulid(), name, hex, kind, dryMinutes: null }).catch((problem: Error) => setError(problem.message));
  return (
    <li className={styles.unknown}>
      <span>“{name}” is not on the shelf.</span>
      <TextField label={`Colour of ${name}`} hideLabel type="color" value={hex} onChange={setHex} />
      <SelectField label={`Kind of ${name}`} hideLabel value={kind} options={kindOptions} onChange={setKind} />
      <Button onClick={add}>Put {name} on the shelf</Button>
      {error && <span role="alert">{error}</span>}
    </li>
  );
}
