import type { SeenColour } from '../core/paint/armsLength';
import type { BoardRow } from '../core/paint/colourBoard';
import type { UnitMarks, UnitRamp } from '../core/paint/schemeColours';
import type { Paint } from '../core/scheme/model/definitions';
import type { Contrast } from '../core/paint/contrast';
import type { TwinPrice } from '../core/plan/choices/sharing';

/** A unit as a column of the colour board. */
export interface BoardUnit {
  id: string;
  name: string;
  models: number;
  commissionId: string;
  commissionName: string;
}

/** What the Colours view is drawn from: all open units. */
export interface ColoursPicture {
  units: BoardUnit[];
  rows: BoardRow[];
  /** With everything that any limit may ask for. */
  contrast: Contrast;
  /** What is seen of each unit's models when they are done, the largest share first. */
  seen: { unitId: string; colours: SeenColour[] }[];
  /** Colours that tell models apart, and parts that get lighter step by step. */
  marks: UnitMarks[];
  ramps: UnitRamp[];
  /** All paints of the shelf, used or not: what a colour is matched with. */
  shelf: Paint[];
}

/** What sharing paints over all open work saves, by two plans. */
export interface SharingPicture {
  together: { bench: number; legs: number };
  apart: { bench: number; legs: number };
  /** Times that each paint or mix is opened in the two. */
  openings: [paintId: string, together: number, apart: number][];
}

export interface TwinsPicture {
  prices: TwinPrice[];
}

/** What taking a twin has changed, for the way back. */
export interface TwinTaken {
  units: { unitId: string; name: string; revisionId: string; schemeRevision: number }[];
}

/** Paints that one could do for both of, by their ids: the one to keep, the one to replace. */
export interface TwinsQuestion {
  pairs: string[][];
}
