import type { CSSProperties } from 'react';

interface Carried {
  transform: { x: number; y: number } | null;
  transition: string | undefined;
  isDragging: boolean;
}

/** Where a thing is drawn while it, or a neighbour, is carried. */
export const carriedStyle = ({ transform, transition, isDragging }: Carried): CSSProperties => ({
  ...(transform && { transform: `translate3d(${Math.round(transform.x)}px, ${Math.round(transform.y)}px, 0)` }),
  ...(transition && { transition }),
  ...(isDragging && { position: 'relative', zIndex: 1 }),
});
