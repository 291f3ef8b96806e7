export type FoundKind = 'view' | 'commission' | 'unit' | 'step' | 'paint' | 'setting' | 'log';

/** Something that was looked for, and the way to it. */
export interface Found {
  kind: FoundKind;
  title: string;
  /** Where it belongs; empty for nothing more to say. */
  detail: string;
  href: string;
  /** Of a paint, or of what is on the brush; null for none. */
  hex: string | null;
}

export interface SearchAnswer {
  found: Found[];
  /** How many more there are. */
  more: number;
}
