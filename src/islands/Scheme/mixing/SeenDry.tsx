import { useState } from 'react';
import { ulid } from 'ulid';
import type { Mix } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Notice } from '../../../ui/Notice/Notice';
import { plain } from '../../../ui/format';
import { send } from '../../client/api';
import styles from './mixing.module.css';

interface SeenDryProps {
  unitId: string;
  mix: Mix;
  /** As it is predicted. */
  predicted: string;
  /** The scheme has to be stored before the server can know the mix. */
  onBefore: () => Promise<boolean>;
  onLearned: () => void;
}

/** What the mix looked like when it was dry: from it the program learns how strong the paints are. */
export function SeenDry({ unitId, mix, predicted, onBefore, onLearned }: SeenDryProps) {
  const [hex, setHex] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const save = async () => {
    try {
      if (!(await onBefore())) return;
      const off = await send<{ before: number; after: number }>('PUT', '/api/shelf/seen', { id: ulid(), unit: unitId, mix: mix.id, hex });
      setSaid(`The prediction was off by ${plain(off.before, 1)}; it is off by ${plain(off.after, 1)} now.`);
      setError(null);
      setHex(null);
      onLearned();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <div className={styles.row} data-testid="seen-dry">
      <TextField label={`${mix.name}, as it looked when dry`} type="color" value={hex ?? predicted} onChange={setHex} />
      {hex !== null && (
        <>
          <Button onClick={() => void save()}>Save what it looked like</Button>
          <Button kind="quiet" onClick={() => setHex(null)}>
            Cancel
          </Button>
        </>
      )}
      {said && <span role="status">{said}</span>}
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
    </div>
  );
}
