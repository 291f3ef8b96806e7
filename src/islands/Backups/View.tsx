import { useState } from 'react';
import type { BackupsPicture, DatabaseCopy } from '../../contract/backups';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Hidden } from '../../ui/Hidden/Hidden';
import { FileButton } from '../../ui/FileButton/FileButton';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { bytesText, counted, momentText } from '../../ui/format';
import { sendFile } from '../client/api';
import { SortHead } from '../shared/sort/SortHead';
import { useSorted } from '../shared/sort/useSorted';
import { Working } from '../../ui/Working/Working';
import { Wide } from '../../ui/Wide/Wide';
import styles from './View.module.css';

/** What is to be gone back to, once the painter is sure. */
interface Wanted {
  name: string;
  url: string;
  file: Blob;
}

/** Saving everything as one file, the copies the program makes by itself, and the way back. */
export function BackupsView({ picture }: { picture: BackupsPicture }) {
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const { copies, daysKept } = picture;
  const { rows, sorting } = useSorted(copies, {
    made: (copy) => Date.parse(copy.madeAt),
    why: (copy) => reasonOf(copy),
    size: (copy) => copy.bytes,
  });
  return (
    <div className={styles.view}>
      <Panel title="Save a backup">
        <p>One file with everything: commissions, schemes, paints and the whole log. Keep it on another disk.</p>
        <p>
          <LinkButton kind="main" href="/api/backups/file">
            Save a backup
          </LinkButton>
        </p>
      </Panel>
      <Panel title="Restore a backup">
        <p>The file is checked first. What is here now is put aside as a copy, so that you can come back to it.</p>
        <ChooseFile onChoose={(file) => setWanted({ name: file.name, url: '/api/backups/restore', file })} />
      </Panel>
      <Panel title="Automatic copies" className={styles.copies}>
        {wanted && <Confirm key={wanted.name} wanted={wanted} onCancel={() => setWanted(null)} />}
        <p>
          Made once a day while the program runs; the last {counted(daysKept, 'day')} are kept in the folder “backups” of your data folder.
        </p>
        {copies.length === 0 ? (
          <p>There is no copy yet: the first is being made.</p>
        ) : (
          <Wide>
            <table>
              <thead>
                <tr>
                  <SortHead sorting={sorting} by="made">
                    Made
                  </SortHead>
                  <SortHead sorting={sorting} by="why">
                    Why
                  </SortHead>
                  <SortHead sorting={sorting} by="size" className={styles.number}>
                    Size
                  </SortHead>
                  <th scope="col">
                    <Hidden>Restore</Hidden>
                  </th>
                </tr>
              </thead>
              <tbody>
                {rows.map((copy) => (
                  <tr key={copy.name}>
                    <td>{momentText(Date.parse(copy.madeAt))}</td>
                    <td>{reasonOf(copy)}</td>
                    <td className={styles.number}>{bytesText(copy.bytes)}</td>
                    <td>
                      <Button
                        kind="quiet"
                        aria-label={`Restore the copy of ${momentText(Date.parse(copy.madeAt))}`}
                        onClick={() =>
                          setWanted({
                            name: `the copy of ${momentText(Date.parse(copy.madeAt))}`,
                            url: `/api/backups/restore?copy=${encodeURIComponent(copy.name)}`,
                            file: new Blob(),
                          })
                        }
                      >
                        Restore
                      </Button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Wide>
        )}
      </Panel>
    </div>
  );
}

const reasonOf = ({ name }: DatabaseCopy): string => {
  if (name.startsWith('before-upgrade')) return 'before an upgrade';
  return name.startsWith('before-restore') ? 'before a restore' : 'once a day';
};

const ChooseFile = ({ onChoose }: { onChoose: (file: File) => void }) => (
  <p>
    <FileButton label="Backup file" accept=".sqlite" onChoose={onChoose}>
      Choose a backup
    </FileButton>
  </p>
);

function Confirm({ wanted, onCancel }: { wanted: Wanted; onCancel: () => void }) {
  const [state, setState] = useState<{ error: string | null; isBusy: boolean }>({ error: null, isBusy: false });
  const restore = () => {
    setState({ error: null, isBusy: true });
    sendFile(wanted.url, wanted.file).then(
      () => window.location.assign('/'),
      (problem: Error) => setState({ error: problem.message, isBusy: false }),
    );
  };
  return (
    <Notice kind="flag" role="status">
      <p>Go back to {wanted.name}? Everything in this program will be as it was then. What is here now is put aside first.</p>
      {state.isBusy && <Working label={`Restoring ${wanted.name} …`} />}
      {state.error && <p role="alert">{state.error}</p>}
      <span className={styles.actions}>
        <Button kind="main" disabled={state.isBusy} onClick={restore} autoFocus>
          {state.isBusy ? 'Restoring …' : 'Restore it'}
        </Button>
        <Button disabled={state.isBusy} onClick={onCancel}>
          Cancel
        </Button>
      </span>
    </Notice>
  );
}
