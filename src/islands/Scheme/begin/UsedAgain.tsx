import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { addRecipe } from '../../../core/scheme/authoring/addRecipe';
import { hasScheme, modelsOf, type Paint, type Scheme } from '../../../core/scheme/model/definitions';
import { schemeInARow } from '../../../core/scheme/authoring/gone';
import type { LibraryEntry } from '../../../contract/library';
import type { StoredUnit } from '../../../core/commission/definitions';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { send } from '../../client/api';
import { LibraryList } from '../../shared/LibraryList';
import { Recolour, type SchemeSource } from './Recolour';

interface UsedAgainProps {
  unit: StoredUnit;
  others: StoredUnit[];
  shelf: Paint[];
  /** Some models are painted: another whole scheme would not be theirs. */
  isStarted: boolean;
  onNewPaint: (paint: Paint) => Promise<void>;
  /** Stores what is changed and not stored yet. */
  onBefore: () => Promise<unknown>;
  onChange: (scheme: Scheme) => void;
}

type Chosen = SchemeSource & { entry: LibraryEntry | null };

const format = () => import('../../../core/formats/scheme/schemeFile');

/** Schemes of the library or of another unit, taken for this one in the same or in other colours; and this one kept in the library. */
export function UsedAgain({ unit, others, shelf, isStarted, onNewPaint, onBefore, onChange }: UsedAgainProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [entries, setEntries] = useState<LibraryEntry[] | null>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const attempt = (act: Promise<void>) => void act.catch((problem: Error) => setSaid(problem.message));
  const open = async () => {
    dialog.current?.showModal();
    setEntries(await send<LibraryEntry[]>('GET', '/api/library'));
  };
  const choose = async (entry: LibraryEntry) => {
    const { readScheme } = await format();
    setChosen({ ...readScheme(await send<unknown>('GET', `/api/library/${entry.id}`)), entry });
    dialog.current?.close();
  };
  const keep = async () => {
    await onBefore();
    await send('POST', '/api/library', { unitId: unit.id, partId: null, name: unit.name });
    setSaid(`The scheme of ${unit.name} is in the library.`);
  };
  const take = async (scheme: Scheme, newPaints: Paint[]) => {
    const { entry, name } = chosen!;
    for (const paint of newPaints) await onNewPaint(paint);
    onChange(entry?.kind === 'base recipe' ? addRecipe(unit.scheme, scheme, ulid) : scheme);
    setChosen(null);
    setSaid(`${name} is used for ${unit.name}. Undo brings the scheme before back.`);
    if (entry) await send('POST', `/api/library/${entry.id}/uses`, { unitId: unit.id });
  };
  const canTake = (entry: LibraryEntry) => entry.kind === 'base recipe' || !isStarted;
  return (
    <>
      <Button onClick={() => attempt(open())}>From the library</Button>
      {hasScheme(unit) && <Button onClick={() => attempt(keep())}>Keep in the library</Button>}
      {!isStarted &&
        others.map((other) => (
          <Button
            key={other.id}
            onClick={() =>
              setChosen({
                name: other.name,
                size: other.size,
                models: modelsOf(other),
                scheme: schemeInARow(other),
                paints: shelf,
                entry: null,
              })
            }
          >
            Copy from {other.name}
          </Button>
        ))}
      <Dialog ref={dialog} title="From the library" tools={<Button onClick={() => dialog.current?.close()}>Cancel</Button>}>
        {entries?.length === 0 && <p>Nothing is kept yet: keep a scheme or a part of one first.</p>}
        <LibraryList
          entries={entries ?? []}
          tools={(entry) =>
            canTake(entry) ? (
              <Button onClick={() => attempt(choose(entry))}>Choose {entry.name}</Button>
            ) : (
              <small>Models are painted: only recipes can be added.</small>
            )
          }
        />
      </Dialog>
      {chosen && (
        <Recolour
          source={chosen}
          unit={unit}
          shelf={shelf}
          onTake={(scheme, newPaints) => attempt(take(scheme, newPaints))}
          onCancel={() => setChosen(null)}
        />
      )}
      {said && <p role="status">{said}</p>}
    </>
  );
}
