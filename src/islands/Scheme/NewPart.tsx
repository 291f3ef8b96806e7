import { useRef, useState } from 'react';
import type { Paint } from '../../core/scheme/definitions';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { PaintPicker } from './PaintPicker';
import styles from './View.module.css';

interface NewPartProps {
  paints: Paint[];
  isFirst: boolean;
  onAdd: (name: string, paintId: string | null) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

/** A part and the paint of its base coat: enough to plan with. */
export function NewPart({ paints, isFirst, onAdd, onNewPaint }: NewPartProps) {
  const form = useRef<HTMLDivElement>(null);
  const [name, setName] = useState('');
  const [paintId, setPaintId] = useState<string | null>(null);
  const [writingPaint, setWritingPaint] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const add = () => {
    if (name.trim() === '') return setError('The part has no name: say what is painted, as Coat or Boots.');
    onAdd(name.trim(), paintId);
    setName('');
    setPaintId(null);
    setError(null);
    form.current?.querySelector('input')?.focus();
  };
  return (
    <div ref={form} className={styles.newPart}>
      <TextField
        label={isFirst ? 'The deepest part' : 'Another part, further out'}
        placeholder="Trousers"
        value={name}
        onChange={setName}
        error={error}
        onKeyDown={(event) => event.key === 'Enter' && add()}
      />
      <PaintPicker
        label="Base coat"
        value={paintId}
        paints={paints}
        onChange={setPaintId}
        onNewPaint={onNewPaint}
        onAdding={setWritingPaint}
      />
      {!writingPaint && <Button onClick={add}>Add the part</Button>}
    </div>
  );
}
