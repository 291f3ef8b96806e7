export const LIBRARY_KINDS = ['scheme', 'base recipe'] as const;
/** A whole scheme, or one part with its steps. */
export type LibraryKind = (typeof LIBRARY_KINDS)[number];
