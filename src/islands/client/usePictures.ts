import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Picture, PictureKind } from '../../core/commission/pictures';
import { send, sendFile } from './api';
import { useDerived } from './useDerived';

/** Where a picture belongs. */
export interface PicturePlace {
  unitId: string | null;
  partId: string | null;
  kind: PictureKind;
}

export type PictureChange = Partial<Pick<Picture, 'closeness' | 'caption' | 'light' | 'forClient' | 'spots'>>;

/** The pictures of a commission, and what is done with them. */
export interface Pictures {
  all: Picture[];
  error: string | null;
  /** What was changed on them and is not saved; it stays as it was typed. */
  unsaved: ReadonlyMap<string, PictureChange>;
  /** Saves it now. */
  retry: () => void;
  add: (files: readonly File[], place: PicturePlace) => Promise<void>;
  change: (id: string, part: PictureChange) => void;
  setRemoved: (id: string, removed: boolean) => void;
}

export function usePictures(commissionId: string): Pictures {
  const ask = useCallback(() => send<Picture[]>('GET', `/api/pictures?commission=${commissionId}`), [commissionId]);
  const kept = useDerived(ask);
  /** What was done here, over the pictures as they were when the view was opened. */
  const [done, setDone] = useState<readonly ((all: Picture[]) => Picture[])[]>([]);
  const all = useMemo(() => done.reduce((now, change) => change(now), kept.value ?? []), [done, kept.value]);
  const [error, setError] = useState<string | null>(null);
  const [unsaved, setUnsaved] = useState<ReadonlyMap<string, PictureChange>>(new Map());
  useEffect(() => {
    if (unsaved.size === 0) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [unsaved]);
  const fail = (problem: Error) => setError(problem.message);
  const change = useCallback((how: (now: Picture[]) => Picture[]) => setDone((before) => [...before, how]), []);
  const patch = (id: string, part: Partial<Picture>) => change((now) => now.map((each) => (each.id === id ? { ...each, ...part } : each)));
  const add = useCallback(
    async (files: readonly File[], { unitId, partId, kind }: PicturePlace) => {
      setError(null);
      for (const file of files) {
        const query = new URLSearchParams({
          commission: commissionId,
          kind,
          ...(unitId && { unit: unitId }),
          ...(partId && { part: partId }),
        });
        try {
          const picture = await sendFile<Picture>(`/api/pictures?${query}`, file);
          change((now) => [...now, picture]);
        } catch (problem) {
          setError(`${file.name}: ${(problem as Error).message}`);
        }
      }
    },
    [commissionId, change],
  );
  const store = async (id: string, part: PictureChange) => {
    try {
      await send('PUT', `/api/pictures/${id}`, part);
      setUnsaved((now) => new Map([...now].filter(([each]) => each !== id)));
      setError(null);
    } catch (problem) {
      setError(`Not saved yet: ${(problem as Error).message}`);
      setUnsaved((now) => new Map([...now, [id, { ...now.get(id), ...part }]]));
    }
  };
  return {
    all,
    error: error ?? kept.error,
    unsaved,
    add,
    change: (id, part) => {
      patch(id, part);
      // What could not be saved before goes along.
      void store(id, { ...unsaved.get(id), ...part });
    },
    retry: () => {
      setError(null);
      for (const [id, part] of unsaved) void store(id, part);
    },
    setRemoved: (id, removed) => {
      const before = all.find((each) => each.id === id)?.removedAt ?? null;
      patch(id, { removedAt: removed ? new Date().toISOString() : null });
      send('PUT', `/api/pictures/${id}`, { removed }).catch((problem: Error) => {
        // It is where it was.
        patch(id, { removedAt: before });
        fail(problem);
      });
    },
  };
}

/** Those shown at a place. */
export const picturesAt = ({ all }: Pick<Pictures, 'all'>, { unitId, partId, kind }: PicturePlace): Picture[] =>
  all.filter((each) => each.removedAt === null && each.unitId === unitId && each.partId === partId && each.kind === kind);
