/** `effect` is oil, enamel and whatever else is thinned with a solvent; all other kinds that are brushed are water-based. */
export const PAINT_KINDS = [
  'opaque',
  'translucent',
  'wash',
  'ink',
  'metallic',
  'primer',
  'powder',
  'effect',
  'texture',
  'varnish',
] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];
