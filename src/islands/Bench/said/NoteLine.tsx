import { useState } from 'react';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import styles from './said.module.css';

/** A note to this moment at the bench. */
export function NoteLine({ onNote, onCancel }: { onNote: (text: string) => void; onCancel: () => void }) {
  const [text, setText] = useState('');
  const keep = () => (text.trim() === '' ? onCancel() : onNote(text.trim()));
  return (
    <div className={styles.ask}>
      <TextField
        label="Note"
        value={text}
        onChange={setText}
        autoFocus
        maxLength={4000}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
          if (event.key === 'Escape') onCancel();
        }}
      />
      <Button onClick={keep}>Save note</Button>
    </div>
  );
}
