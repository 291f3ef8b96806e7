export const PICTURE_KINDS = ['reference', 'test model', 'inspection'] as const;
export type PictureKind = (typeof PICTURE_KINDS)[number];

export const CLOSENESSES = ['closely', 'loosely'] as const;
/** How closely the painter is to follow it. */
export type Closeness = (typeof CLOSENESSES)[number];

/** A spot that was found on a picture. */
export interface PhotoSpot {
  id: string;
  /** From the left and the top, as shares of the picture. */
  x: number;
  y: number;
  /** The model it is on, and the pass that it is missed under; null where nobody has said. */
  model: number | null;
  passKey: string | null;
  note: string;
}

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
  /** How it was lit, so that another can be taken alike; empty while nobody has said. */
  light: string;
  /** Chosen for the client: it is on the hand-over sheet. */
  forClient: boolean;
  spots: PhotoSpot[];
  /** Pixels. */
  width: number;
  height: number;
  addedAt: string;
  /** Taken out of sight; null while it is shown. */
  removedAt: string | null;
}
