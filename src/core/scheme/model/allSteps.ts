import type { Part, Scheme, Step } from './definitions';

/** Every step of a scheme in the order entered: the strips of its parts from the deepest outwards, then the steps over everything. */
export const allSteps = ({ parts, allOver }: Pick<Scheme, 'parts' | 'allOver'>): Step[] => [
  ...parts.flatMap(({ steps }) => steps),
  ...allOver,
];

/** The same, each with the part it stands in; null for one over everything. */
export const placedSteps = ({ parts, allOver }: Pick<Scheme, 'parts' | 'allOver'>): { step: Step; part: Part | null }[] => [
  ...parts.flatMap((part) => part.steps.map((step) => ({ step, part }))),
  ...allOver.map((step) => ({ step, part: null })),
];

/** The scheme with every step changed, in parts and over everything. */
export const mapSteps = (scheme: Scheme, change: (step: Step) => Step): Scheme => ({
  ...scheme,
  parts: scheme.parts.map((part) => ({ ...part, steps: part.steps.map(change) })),
  allOver: scheme.allOver.map(change),
});
