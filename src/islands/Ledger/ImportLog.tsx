import { partWords } from '../../core/scheme/model/workWords';
import { useRef, useState } from 'react';
import type { TimeLogImport } from '../../contract/log';
import { labelOf } from '../../core/scheme/model/techniques';
import { Button } from '../../ui/Button/Button';
import { Dialog } from '../../ui/Dialog/Dialog';
import { FileButton } from '../../ui/FileButton/FileButton';
import { counted } from '../../ui/format';
import { sendFile } from '../client/api';
import styles from './View.module.css';

/** Imports a time log: first what would be taken and what is wrong, line by line, then the rows. */
export function ImportLog() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<TimeLogImport | null>(null);
  const [error, setError] = useState<string | null>(null);

  const show = async (chosen: File) => {
    setError(null);
    setPreview(null);
    try {
      setFile(chosen);
      setPreview(await sendFile<TimeLogImport>('/api/time-log/import?preview', chosen));
    } catch (problem) {
      setError((problem as Error).message);
    }
    dialog.current?.showModal();
  };
  const take = async () => {
    try {
      await sendFile('/api/time-log/import', file!);
      window.location.reload();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };

  return (
    <>
      <FileButton label="Time log file" accept=".csv,text/csv" onChoose={(chosen) => void show(chosen)}>
        Import CSV
      </FileButton>
      <Dialog
        ref={dialog}
        title="What the file holds"
        tools={
          <>
            {preview && preview.newRows > 0 && (
              <Button kind="main" onClick={() => void take()}>
                Import {counted(preview.newRows, 'row')}
              </Button>
            )}
            <Button onClick={() => dialog.current?.close()}>Cancel</Button>
          </>
        }
      >
        {error && <p role="alert">{error}</p>}
        {preview && <Preview preview={preview} />}
      </Dialog>
    </>
  );
}

function Preview({ preview }: { preview: TimeLogImport }) {
  return (
    <>
      <p data-testid="preview">
        {counted(preview.newRows, 'new row')} can be imported{preview.knownRows > 0 && `, ${preview.knownRows} are in the log already`}
        {preview.badCount > 0
          ? `, ${counted(preview.badCount, 'value')} cannot be read${preview.badCount > preview.bad.length ? `; the first ${preview.bad.length}:` : ':'}`
          : '.'}
      </p>
      {preview.bad.length > 0 && (
        <div className={styles.bad} tabIndex={0} role="region" aria-label="Values that cannot be read">
          <table>
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Column</th>
                <th scope="col">What is wrong, and what to do</th>
              </tr>
            </thead>
            <tbody>
              {preview.bad.map((cell) => (
                <tr key={`${cell.line} ${cell.column}`}>
                  <td>{cell.line}</td>
                  <td>{cell.column}</td>
                  <td>{cell.message}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {preview.sample.length > 0 && (
        <ul className={styles.sample}>
          {preview.sample.map((row) => (
            <li key={`${row.startedAt} ${row.unit} ${row.part}`}>
              {row.unit}, {partWords(row.part)}: {labelOf(row).toLowerCase()}, {counted(row.models, 'model')} in {row.minutes} min
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
