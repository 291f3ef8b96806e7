/** What is painted: units of alike models, their parts, the paints, and the steps of a scheme. */

export const SIZES = ['tiny', 'foot', 'heavy', 'mounted', 'vehicle', 'large', 'scenery'] as const;
export type Size = (typeof SIZES)[number];

export const SIZE_LABELS = {
  tiny: 'tiny (6 to 10 mm)',
  foot: 'foot figure (28 to 32 mm)',
  heavy: 'heavy figure',
  mounted: 'mounted',
  vehicle: 'vehicle',
  large: 'large creature',
  scenery: 'scenery',
} as const satisfies Record<Size, string>;

/** Rough paintable surface of one model. */
export const SURFACE_CM2 = {
  tiny: 4,
  foot: 30,
  heavy: 50,
  mounted: 80,
  vehicle: 250,
  large: 220,
  scenery: 120,
} as const satisfies Record<Size, number>;

/** What the client pays for, lowest first. */
export const STANDARDS = ['quick', 'table', 'full', 'display'] as const;
export type Standard = (typeof STANDARDS)[number];

export const STANDARD_LABELS = {
  quick: 'quick: base, shade, base rim',
  table: 'table: plus main highlights and details',
  full: 'full: all highlights, eyes, weathering',
  display: 'display: leaders and centrepieces',
} as const satisfies Record<Standard, string>;

export const includesStandard = (paidFor: Standard, needed: Standard): boolean => STANDARDS.indexOf(paidFor) >= STANDARDS.indexOf(needed);

export const PAINT_KINDS = ['opaque', 'translucent', 'wash', 'metallic', 'texture', 'varnish'] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];

export interface Paint {
  id: string;
  name: string;
  /** sRGB, lower case: #a1b2c3. */
  hex: string;
  kind: PaintKind;
  /** From the label; wins over the technique's usual drying. */
  dryMinutes: number | null;
}

/** Which models of the unit a step is for. */
export const WHO = ['all', 'leaders', 'others'] as const;
export type Who = (typeof WHO)[number];

export interface Step {
  id: string;
  technique: Technique;
  paintId: string | null;
  coats: number;
  /** Share of the model's surface that the step covers, 0 to 1. */
  coverage: number;
  who: Who;
  /** The lowest standard that includes the step. */
  standard: Standard;
  dryMinutes: number | null;
}

export interface Part {
  id: string;
  name: string;
  steps: Step[];
}

/** Parts from the deepest to the outermost, each with its strip of steps, and the steps that go over everything. */
export interface Scheme {
  parts: Part[];
  allOver: Step[];
}

/** `waiting`: only the test model may be painted until it is approved. */
export const TEST_MODEL_STATES = ['none', 'waiting', 'approved'] as const;
export type TestModelState = (typeof TEST_MODEL_STATES)[number];

export interface Unit {
  id: string;
  name: string;
  size: Size;
  promised: number;
  /** Models found in the box; null until somebody has counted. */
  counted: number | null;
  /** Why a difference between promised and counted is all right; empty while it is open. */
  countNote: string;
  /** The first so many models of the unit deserve more care. */
  leaders: number;
  /** Most models that travel together. */
  trayLimit: number;
  testModel: TestModelState;
  scheme: Scheme;
}

/** The unit as it will be painted: a test model that waits for the client's word is taken as approved. */
export const approved = <U extends Unit>(unit: U): U => ({
  ...unit,
  testModel: unit.testModel === 'waiting' ? 'approved' : unit.testModel,
});

/** Models to paint: what is in the box, or what was promised until it is counted. */
export const modelsOf = (unit: Pick<Unit, 'promised' | 'counted'>): number => unit.counted ?? unit.promised;

/** Whether anybody has written down yet how the unit is painted. */
export const hasScheme = ({ scheme }: Pick<Unit, 'scheme'>): boolean => scheme.parts.length + scheme.allOver.length > 0;

/** A count that does not match and that nobody has settled yet. */
export const hasOpenCount = (unit: Pick<Unit, 'promised' | 'counted' | 'countNote'>): boolean =>
  unit.counted !== null && unit.counted !== unit.promised && unit.countNote.trim() === '';

export const TECHNIQUES = [
  'clean',
  'assemble',
  'mount',
  'prime',
  'airbrush',
  'basecoat',
  'translucent',
  'wash',
  'pinwash',
  'glaze',
  'drybrush',
  'overbrush',
  'sponge',
  'stipple',
  'layer',
  'edge',
  'detail',
  'eyes',
  'freehand',
  'decal',
  'streak',
  'pigment',
  'texture',
  'rim',
  'scatter',
  'varnish',
  'gloss-effect',
  'inspect',
  'touchup',
  'pack',
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** An order for painted models. */
export interface Commission {
  id: string;
  name: string;
  client: string;
  /** Calendar day: 2026-11-30. */
  dueOn: string;
  standard: Standard;
  /** Minor units of the currency for an hour at the bench. */
  hourlyRateMinor: number;
  /** ISO 4217. */
  currency: string;
  note: string;
}
