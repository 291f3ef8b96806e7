import type { StripId } from '../../../core/scheme/authoring/edits';
import type { Scheme } from '../../../core/scheme/model/definitions';

/** A step, by where it is and its id. */
export interface InStrip {
  strip: StripId;
  step: string;
}

/** Where a step is; null where the scheme has none of that id. */
export function stripOf({ parts, allOver }: Scheme, step: string | null): InStrip | null {
  if (step === null) return null;
  const strips = [{ id: null, steps: allOver }, ...parts];
  const found = strips.find(({ steps }) => steps.some(({ id }) => id === step));
  return found ? { strip: found.id, step } : null;
}
