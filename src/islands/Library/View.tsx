import { useState } from 'react';
import { readJson } from '../../core/formats/readJson';
import type { LibraryEntry } from '../../contract/library';
import { Button, LinkButton } from '../../ui/Button/Button';
import { FileButton } from '../../ui/FileButton/FileButton';
import { Panel } from '../../ui/Panel/Panel';
import { counted } from '../../ui/format';
import { send } from '../client/api';
import { LibraryList } from '../shared/LibraryList';
import { Opened } from '../shared/Opened';

const URL = '/api/library';

export function LibraryView() {
  return (
    <Opened<LibraryEntry[]> url={URL} what="the library">
      {(entries) => <OpenedLibrary initial={entries} />}
    </Opened>
  );
}

/** Schemes kept beyond their commissions: looked up, saved as files, taken in, removed. They are used from the Scheme view. */
function OpenedLibrary({ initial }: { initial: LibraryEntry[] }) {
  const [entries, setEntries] = useState(initial);
  const [removed, setRemoved] = useState<LibraryEntry | null>(null);
  const [error, setError] = useState<string | null>(null);
  const attempt = (act: Promise<unknown>) =>
    void act.then(
      () => setError(null),
      (problem: Error) => setError(problem.message),
    );
  const reload = async () => setEntries(await send<LibraryEntry[]>('GET', URL));
  const add = async (file: File) => {
    await send('POST', `${URL}/file`, readJson(await file.text(), file.name, 'choose a scheme file'));
    await reload();
  };
  const remove = async (entry: LibraryEntry, isRemoved: boolean) => {
    await send('PUT', `${URL}/${entry.id}`, { removed: isRemoved });
    setRemoved(isRemoved ? entry : null);
    await reload();
  };
  return (
    <Panel
      title={counted(entries.length, 'scheme or recipe', 'schemes and recipes')}
      aside={
        <FileButton label="Scheme file for the library" accept=".json,application/json" onChoose={(file) => attempt(add(file))}>
          Add a scheme file
        </FileButton>
      }
    >
      {entries.length === 0 && (
        <p>Nothing is kept yet. In the Scheme view, keep a scheme or one part of it, and use it again for any unit.</p>
      )}
      <LibraryList
        entries={entries}
        tools={(entry) => (
          <>
            <LinkButton kind="quiet" href={`${URL}/${entry.id}`}>
              Save as a file
            </LinkButton>
            <Button kind="quiet" onClick={() => attempt(remove(entry, true))}>
              Remove
            </Button>
          </>
        )}
      />
      {removed && (
        <p>
          {removed.name} is removed.{' '}
          <Button kind="quiet" onClick={() => attempt(remove(removed, false))}>
            Put it back
          </Button>
        </p>
      )}
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}
