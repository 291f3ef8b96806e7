import type { LibraryKind } from '../core/scheme/model/libraryKinds';
import type { Size, Standard } from '../core/scheme/model/definitions';

/** A scheme kept beyond its commission, as the list shows it. */
export interface LibraryEntry {
  id: string;
  name: string;
  kind: LibraryKind;
  savedAt: string;
  size: Size;
  standard: Standard;
  /** Models it was made for. */
  models: number;
  parts: string[];
  paints: { name: string; hex: string }[];
  /** Units it was used for, the one it came from first. */
  uses: LibraryUse[];
}

export interface LibraryUse {
  unit: string;
  commission: string;
  at: string;
  /** Hands-on minutes logged for a model of the unit so far; null before the first. */
  minutesPerModel: number | null;
}
