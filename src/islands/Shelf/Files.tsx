import { lazy, Suspense, useState } from 'react';
import type { ShelfPicture } from '../../contract/shelf';
import { Button } from '../../ui/Button/Button';
import { Working } from '../../ui/Working/Working';

/** What reads and writes lists is loaded when it is asked for: most days nobody does. */
const PaintFiles = lazy(() => import('./PaintFiles').then((module) => ({ default: module.PaintFiles })));

/** Paints in and out. */
export function Files(props: { shelf: ShelfPicture; onDone: () => void }) {
  const [isOpen, setOpen] = useState(false);
  if (!isOpen) return <Button onClick={() => setOpen(true)}>Import or export</Button>;
  return (
    <Suspense
      fallback={
        <span role="status">
          <Working label="Opening …" />
        </span>
      }
    >
      <PaintFiles {...props} />
    </Suspense>
  );
}
