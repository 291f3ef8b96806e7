import { useState } from 'react';
import { FileButton } from '../../ui/FileButton/FileButton';
import { sendFile } from '../client/api';
import styles from './View.module.css';

/** Takes a commission file in and goes to its Intake. */
export function ImportCommission() {
  const [error, setError] = useState<string | null>(null);
  const take = async (file: File) => {
    try {
      const { id } = await sendFile<{ id: string }>('/api/commissions/import', file);
      window.location.assign(`/c/${id}/intake`);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <>
      <FileButton label="Commission file" accept=".json,application/json" onChoose={(file) => void take(file)}>
        Open a file
      </FileButton>
      {error && (
        <span role="alert" className={styles.error}>
          {error}
        </span>
      )}
    </>
  );
}
