import { useCallback, useRef, useState } from 'react';
import type { OwnLine } from '../../../core/line/hand/carryOver';
import type { LinePicture } from '../../../contract/line';
import { selectionKey, type Selection } from '../../../core/plan/selection';
import { send } from '../../client/api';
import { useSaved } from '../../client/useSaved';

/** What is on the line, by its key, and the painter's own order of it; null while the suggestion is followed. */
interface DeskState {
  key: string;
  own: OwnLine | null;
}

/**
 * What lies on the line and in which order, as one history: choosing other units is taken back like a job that was carried. The
 * pictures of all lines looked at stay, so that going back shows at once what was there.
 */
export function useLineDesk(opened: LinePicture) {
  const openedKey = selectionKey(opened.selection);
  const [pictures, setPictures] = useState<ReadonlyMap<string, LinePicture>>(() => new Map([[openedKey, opened]]));
  // It stays open while other units are tried.
  const [isOpen, setOpen] = useState(false);
  /** The row ticked last: the line is drawn anew, and the focus goes on there. */
  const [ticked, setTicked] = useState<string | null>(null);
  const [isChoosing, setChoosing] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const latest = useRef(pictures);
  const chosen = useRef(openedKey);
  const stored = useRef(new Map([[openedKey, { own: opened.own, revision: opened.ownRevision }]]));

  const saved = useSaved<DeskState>({
    initial: { key: openedKey, own: opened.own },
    save: async ({ key, own }) => {
      const { selection } = latest.current.get(key)!;
      if (chosen.current !== key) {
        await send('PUT', '/api/line/units', { selection });
        chosen.current = key;
      }
      const known = stored.current.get(key)!;
      if (known.own === own) return;
      const { revision } = await send<{ revision: number }>('PUT', '/api/line', { revision: known.revision, selection, line: own });
      stored.current.set(key, { own, revision });
    },
  });
  const { value, change } = saved;

  /** Lays another line; `order` is one that was found for it. */
  const choose = useCallback(
    async (selection: Selection, order: readonly string[] = []) => {
      setChoosing(true);
      setError(null);
      try {
        await send('PUT', '/api/line/units', { selection, order });
        const key = selectionKey(selection);
        chosen.current = key;
        const picture = await send<LinePicture>('GET', '/api/line');
        stored.current.set(key, { own: picture.own, revision: picture.ownRevision });
        latest.current = new Map([...latest.current, [key, picture]]);
        setPictures(latest.current);
        change({ key, own: picture.own });
      } catch (problem) {
        setError((problem as Error).message);
      } finally {
        setChoosing(false);
      }
    },
    [change],
  );
  const changeOwn = useCallback((own: OwnLine | null) => change({ key: value.key, own }), [change, value.key]);

  return {
    picture: pictures.get(value.key)!,
    own: value.own,
    changeOwn,
    saved,
    choose,
    isChoosing,
    error,
    chooser: { isOpen, setOpen, ticked, setTicked },
  };
}

export type LineDesk = ReturnType<typeof useLineDesk>;
