/** So many models of a step in one go. */
export interface StretchAhead {
  /** Models of the step that will have been painted before. */
  done: number;
  models: number;
  /** The same models at their factor: a leader counts as more than one. */
  weight: number;
}
