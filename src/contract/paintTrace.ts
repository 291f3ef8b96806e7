/** Models that carry a paint under one pass, named as they were when it was painted. */
export interface PaintTrace {
  passKey: string;
  commission: string;
  unit: string;
  what: string;
  models: number[];
  /** UTC ms. */
  lastAt: number;
}
