import type { Scheme, Step } from './definitions';

/** A scheme with ids of its own, so that each unit keeps its own log. */
export function copyScheme({ parts, allOver }: Scheme, newId: () => string): Scheme {
  const fresh = (steps: Step[]) => steps.map((step) => ({ ...step, id: newId() }));
  return { parts: parts.map((part) => ({ ...part, id: newId(), steps: fresh(part.steps) })), allOver: fresh(allOver) };
}
