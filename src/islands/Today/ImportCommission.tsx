import { useRef, useState } from 'react';
import { Button } from '../../ui/Button/Button';
import { sendFile } from '../shared/api';
import styles from './View.module.css';

/** Takes a commission file in and goes to its Intake. */
export function ImportCommission() {
  const input = useRef<HTMLInputElement>(null);
  const [error, setError] = useState<string | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      const { id } = await sendFile<{ id: string }>('/api/commissions/import', file);
      window.location.assign(`/c/${id}/intake`);
    } catch (problem) {
      setError((problem as Error).message);
    }
    if (input.current) input.current.value = '';
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="Commission file"
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <Button onClick={() => input.current?.click()}>Open a file</Button>
      {error && (
        <span role="alert" className={styles.error}>
          {error}
        </span>
      )}
    </>
  );
}
