export const PICTURE_KINDS = ['reference', 'test model'] as const;
export type PictureKind = (typeof PICTURE_KINDS)[number];

export const CLOSENESSES = ['closely', 'loosely'] as const;
/** How closely the painter is to follow it. */
export type Closeness = (typeof CLOSENESSES)[number];

/** A picture without its bytes. */
export interface Picture {
  id: string;
  commissionId: string;
  /** Null for one of the whole commission. */
  unitId: string | null;
  /** Null for one of the whole unit. */
  partId: string | null;
  kind: PictureKind;
  closeness: Closeness;
  caption: string;
  /** Pixels. */
  width: number;
  height: number;
  addedAt: string;
  /** Taken out of sight; null while it is shown. */
  removedAt: string | null;
}
