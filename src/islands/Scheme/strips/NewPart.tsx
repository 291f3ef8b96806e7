import { useRef, useState } from 'react';
import type { Paint } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { PaintPicker, type PotChoice } from '../step/PaintPicker';
import styles from './strips.module.css';

interface NewPartProps {
  paints: Paint[];
  isFirst: boolean;
  onAdd: (name: string, paintId: string | null) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

const NOTHING: PotChoice = { paint: null, mix: null };

/** A part and the paint of its base coat: enough to plan with. */
export function NewPart({ paints, isFirst, onAdd, onNewPaint }: NewPartProps) {
  const form = useRef<HTMLDivElement>(null);
  const [name, setName] = useState('');
  const [choice, setChoice] = useState<PotChoice>(NOTHING);
  const [writingPaint, setWritingPaint] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const add = () => {
    if (name.trim() === '') return setError('The part has no name: say what is painted, as Coat or Boots.');
    onAdd(name.trim(), choice.paint);
    setName('');
    setChoice(NOTHING);
    setError(null);
    form.current?.querySelector('input')?.focus();
  };
  return (
    <div ref={form} className={styles.newPart}>
      <TextField
        label={isFirst ? 'First part' : 'Next part'}
        placeholder="Trousers"
        value={name}
        onChange={setName}
        error={error}
        onKeyDown={(event) => event.key === 'Enter' && add()}
      />
      <PaintPicker
        label="Base coat"
        value={choice}
        paints={paints}
        onChange={setChoice}
        onNewPaint={onNewPaint}
        onAdding={setWritingPaint}
      />
      {!writingPaint && <Button onClick={add}>Add the part</Button>}
    </div>
  );
}
