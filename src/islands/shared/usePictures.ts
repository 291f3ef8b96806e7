import { useCallback, useEffect, useState } from 'react';
import type { Picture, PictureKind } from '../../core/commission/pictures';
import { send, sendFile } from './api';

/** Where a picture belongs. */
export interface PicturePlace {
  unitId: string | null;
  partId: string | null;
  kind: PictureKind;
}

/** The pictures of a commission, and what is done with them. */
export interface Pictures {
  all: Picture[];
  error: string | null;
  add: (files: readonly File[], place: PicturePlace) => Promise<void>;
  change: (id: string, part: Partial<Pick<Picture, 'closeness' | 'caption'>>) => void;
  setRemoved: (id: string, removed: boolean) => void;
}

export function usePictures(commissionId: string): Pictures {
  const [all, setAll] = useState<Picture[]>([]);
  const [error, setError] = useState<string | null>(null);
  const fail = (problem: Error) => setError(problem.message);
  useEffect(() => {
    send<Picture[]>('GET', `/api/pictures?commission=${commissionId}`).then(setAll, fail);
  }, [commissionId]);
  const patch = (id: string, part: Partial<Picture>) => setAll((now) => now.map((each) => (each.id === id ? { ...each, ...part } : each)));
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
          setAll((now) => [...now, picture]);
        } catch (problem) {
          setError(`${file.name}: ${(problem as Error).message}`);
        }
      }
    },
    [commissionId],
  );
  return {
    all,
    error,
    add,
    change: (id, part) => {
      patch(id, part);
      send('PUT', `/api/pictures/${id}`, part).catch(fail);
    },
    setRemoved: (id, removed) => {
      patch(id, { removedAt: removed ? new Date().toISOString() : null });
      send('PUT', `/api/pictures/${id}`, { removed }).catch(fail);
    },
  };
}

/** Those shown at a place. */
export const picturesAt = ({ all }: Pick<Pictures, 'all'>, { unitId, partId, kind }: PicturePlace): Picture[] =>
  all.filter((each) => each.removedAt === null && each.unitId === unitId && each.partId === partId && each.kind === kind);
