import { useState } from 'react';
import type { ImportedCommission } from '../../contract/importedCommission';
import { Button } from '../../ui/Button/Button';
import { FileButton } from '../../ui/FileButton/FileButton';
import { Notice } from '../../ui/Notice/Notice';
import { counted } from '../../ui/format';
import { send, sendFile } from '../client/api';
import styles from './View.module.css';

const NAMED = 5;

/** Takes a commission file in and goes to its Intake; asks once about paints that are on the shelf already. */
export function ImportCommission() {
  const [error, setError] = useState<string | null>(null);
  const [asked, setAsked] = useState<ImportedCommission | null>(null);
  const open = ({ id }: ImportedCommission) => window.location.assign(`/c/${id}/intake`);
  const take = async (file: File) => {
    try {
      const taken = await sendFile<ImportedCommission>('/api/commissions/import', file);
      if (taken.doubles.length > 0) setAsked(taken);
      else open(taken);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const merge = async (taken: ImportedCommission) => {
    try {
      await send('PUT', '/api/paints/merged', { pairs: taken.doubles.map(({ keep, replace }) => ({ keep, replace })) });
      open(taken);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <>
      <FileButton label="Commission file" accept=".json,application/json" onChoose={(file) => void take(file)}>
        Open a file
      </FileButton>
      {asked && (
        <Notice role="status">
          <p>
            {counted(asked.doubles.length, 'paint')} of the file {asked.doubles.length === 1 ? 'is' : 'are'} on your shelf already, by name
            and colour:{' '}
            {asked.doubles
              .slice(0, NAMED)
              .map(({ name }) => name)
              .join(', ')}
            {asked.doubles.length > NAMED && ' and more'}.
          </p>
          <Button kind="main" onClick={() => void merge(asked)}>
            Use those on my shelf
          </Button>
          <Button onClick={() => open(asked)}>Keep both</Button>
        </Notice>
      )}
      {error && (
        <span role="alert" className={styles.error}>
          {error}
        </span>
      )}
    </>
  );
}
