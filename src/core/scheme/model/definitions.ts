import type { PaintKind } from './paintKinds';
import type { Moment } from './moments';
import type { Schools, Strengths } from './schools';
import type { OwnTechnique, Technique } from './techniques';

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

/**
 * @example includesStandard('table', 'quick') // true
 */
export const includesStandard = (paidFor: Standard, needed: Standard): boolean => STANDARDS.indexOf(paidFor) >= STANDARDS.indexOf(needed);

export interface Paint {
  id: string;
  name: string;
  /** sRGB, lower case: #a1b2c3. */
  hex: string;
  kind: PaintKind;
  /** From the label; wins over the technique's usual drying. */
  dryMinutes: number | null;
  /** How strongly it takes over a mix, as corrections of mixes have taught; left out for the usual one of its colour. */
  strength?: number;
}

/** A paint as it is on the shelf: saving is refused when `revision` has moved on. */
export interface StoredPaint extends Paint {
  revision: number;
}

/** A paint or a mix by parts: paints and mixes that were entered before it. */
export type MixShare = { paint: string; parts: number } | { mix: string; parts: number };

export const THINNERS = ['water', 'medium', 'thinner'] as const;
export interface Thinning {
  with: (typeof THINNERS)[number];
  parts: number;
}

/** Paints mixed for a scheme: a pot of its own. */
export interface Mix {
  id: string;
  name: string;
  of: MixShare[];
  thin: Thinning | null;
}

export const GROUP_KINDS = ['leader', 'squad', 'sculpt', 'odd'] as const;
export type GroupKind = (typeof GROUP_KINDS)[number];

/** Models of the unit that belong together: a model may be in several groups. */
export interface Group {
  id: string;
  name: string;
  kind: GroupKind;
  /** Models of the unit, 1-based, ascending. */
  models: number[];
  /** Lifts or lowers its models against the standard of the unit; null leaves them. */
  standard: Standard | null;
  /** How much longer they take; null: what House rules say of leaders, 1 for others. */
  factor: number | null;
}

export interface VariantOption {
  id: string;
  name: string;
  models: number[];
}

/** A choice dealt out over the unit: every model has exactly one of the options. */
export interface Variant {
  id: string;
  name: string;
  options: VariantOption[];
  /** Of a trial: the step whose other pot some models try, before it is decided for all; left out of any other variant. */
  trialOf?: string;
}

/** Whom a step is for, by ids of groups and options; null for every model. */
export type StepFor = { only: string[] } | { without: string[] } | null;

/** Which parts a step over several parts is laid on, by their ids. */
export type Over = { only: string[] } | { without: string[] };

export const mapOver = (over: Over, change: (ids: string[]) => string[]): Over =>
  'only' in over ? { only: change(over.only) } : { without: change(over.without) };

/** Another paint or mix for the models of an option. */
export type PaintFor = { option: string; paint: string } | { option: string; mix: string };

export const CARES = ['quick', 'careful'] as const;
export type Care = (typeof CARES)[number];

export const FACES = ['whole', 'fronts then backs', 'fill then cut in'] as const;

/** Where a step was copied from: the first of them, and what it was painted with there. */
export interface StepLineage {
  step: string;
  technique: Technique;
  /** A paint; null for none, or a mix. */
  paint: string | null;
}

export interface Step {
  id: string;
  technique: Technique;
  /** What is on the brush: a paint or a mix, or neither. */
  paint: string | null;
  mix: string | null;
  paintFor: PaintFor[];
  coats: number;
  /** Share of the model's surface that the step covers, 0 to 1. */
  coverage: number;
  for: StepFor;
  /** The lowest standard that includes the step. */
  standard: Standard;
  /** May be left out when time is short. */
  optional: boolean;
  dryMinutes: number | null;
  /** As the painter writes it: 1:1 with medium. */
  strength: string;
  faces: (typeof FACES)[number];
  /** Where in the model's life it stands; null for the usual moment of its technique. */
  moment: Moment | null;
  note: string;
  /** Of a step over several parts; left out where it goes over everything. */
  over?: Over;
  /** Looked at model by model: only where it is needed. */
  ifNeeded?: true;
  /** A technique of the painter's own, like `technique`; left out for a shipped one. */
  own?: OwnTechnique;
  /** Which brush, of the painter's own list; left out where the technique says it. */
  brush?: string;
  /** Transfers on a model; left out for one. */
  pieces?: number;
  /** How much care it takes, where that and not the surface makes the minutes; left out for the usual one. */
  care?: Care;
  /** Left out where it was not copied from another unit's. */
  like?: StepLineage;
  /** What it is called in every unit that is painted by the same scheme; left out where that is its own id. */
  shared?: string;
}

export const REACHES = ['easy', 'hard'] as const;

export interface Part {
  id: string;
  name: string;
  /** Share of the model, 0 to 1. */
  surface: number;
  /** Ids of the parts it touches; null for the next part further in and the next further out. */
  touches: string[] | null;
  reach: (typeof REACHES)[number];
  /** The ground under it must stay clean. */
  keepClear: boolean;
  /** The ground that the model stands on. */
  isBase: boolean;
  /** Id of the part that an emblem lies on; left out for the one it is in. */
  on?: string;
  steps: Step[];
  /** As of a step. */
  shared?: string;
}

/** A rule of the painter's own: null minutes for one that always holds. */
export interface OwnRule {
  /** Ids of steps. */
  first: string;
  then: string;
  minutesPerModel: number | null;
  /** Breaking it costs no work: it is only liked better. Left out for touch-up. */
  wish?: boolean;
  reason: string;
}

/** A rule of the catalogue that does not hold in this scheme; a hard one only with a note. */
export interface RuleOff {
  rule: string;
  note: string;
}

/** A place to stop at: what has to be done by then, with all that must come before it. */
export interface Stop {
  id: string;
  name: string;
  /** Ids of steps. */
  steps: string[];
  /** The models can be used from here. */
  usable: boolean;
}

/** Parts from the deepest to the outermost, each with its strip of steps, the steps that go over everything, and who gets what. */
/** How long a model is painted, by the painter's own name. */
export interface Level {
  name: string;
  /** A model. */
  minutes: number;
}

export interface Scheme {
  groups: Group[];
  variants: Variant[];
  mixes: Mix[];
  /** Where this scheme differs from House rules. */
  schools: Partial<Schools>;
  /** How strongly its habits hold, where that differs from House rules; left out where nothing does. */
  strengths?: Strengths;
  rules: OwnRule[];
  off: RuleOff[];
  /** Stops set by hand, beside those that the standards make. */
  stops: Stop[];
  /** What a model may take; left out where nobody has said. */
  level?: Level;
  parts: Part[];
  allOver: Step[];
}

export const EMPTY_SCHEME: Scheme = {
  groups: [],
  variants: [],
  mixes: [],
  schools: {},
  rules: [],
  off: [],
  stops: [],
  parts: [],
  allOver: [],
};

/** `waiting`: only the test model may be painted until it is approved; `on trust`: the painter goes on without the client's word. */
export const TEST_MODEL_STATES = ['none', 'waiting', 'approved', 'on trust'] as const;
export type TestModelState = (typeof TEST_MODEL_STATES)[number];

/** A small thing on every model, and what it takes. */
export interface Bit {
  name: string;
  /** For one model. */
  seconds: number;
  leftOff: boolean;
}

/** A model that is not in the box, or not any more. */
export interface GoneModel {
  /** Its number in the unit. */
  model: number;
  /** Ids of the groups and options that it was in. */
  in: string[];
}

/** What says which models a unit has. */
export type Roll = Pick<Unit, 'promised' | 'owned' | 'counted' | 'gone'>;

export interface Unit {
  id: string;
  name: string;
  size: Size;
  promised: number;
  /** Of those promised, models that the client has painted already or does not want painted. */
  owned: number;
  /** Models found in the box; null until somebody has counted. */
  counted: number | null;
  /** Why a difference between promised and counted is all right; empty while it is open. */
  countNote: string;
  /** Models that are not there: the others keep their numbers, and who comes back is who they were. */
  gone: GoneModel[];
  /** Models that came when others were painted already: they travel apart, so that nobody waits for them. */
  late: number[];
  /** Most models that travel together. */
  trayLimit: number;
  /** A tray is finished before the next is begun. */
  trayByTray: boolean;
  /** It is finished before the others on its line are begun. */
  goesFirst: boolean;
  /** What they are held by while they are painted: corks, card strips; empty while nobody has said. */
  holder: string;
  /** Fiddly bits, each decided while it can still be left off at the build. */
  bits: Bit[];
  testModel: TestModelState;
  /** Id of the unit of the commission whose test model speaks for this one too; null where it has its own, or none. */
  testedBy: string | null;
  /** Units of the commission that have the same here are painted by one scheme; null where it has one of its own. */
  linked: string | null;
  scheme: Scheme;
}

/** A unit without its scheme, as Intake edits it. */
export type UnitEntry = Omit<Unit, 'scheme'>;

/** What nobody has said of a unit yet. */
export const UNCOUNTED: Pick<
  Unit,
  'owned' | 'counted' | 'countNote' | 'gone' | 'late' | 'trayByTray' | 'goesFirst' | 'holder' | 'bits' | 'testModel' | 'testedBy' | 'linked'
> = {
  owned: 0,
  counted: null,
  countNote: '',
  gone: [],
  late: [],
  trayByTray: false,
  goesFirst: false,
  holder: '',
  bits: [],
  testModel: 'none',
  testedBy: null,
  linked: null,
};

/** A unit with what the test model of another says of it. */
export type GatedUnit = Unit & {
  /** It goes by the test model of another unit, which waits: nothing of it may be painted. */
  isHeld?: boolean;
};

/** Units of one commission, those held that go by a test model which waits. */
export const gated = <U extends Unit>(units: readonly U[]): (U & { isHeld: boolean })[] => {
  const waiting = new Set(units.filter(({ testModel, testedBy }) => testModel === 'waiting' && testedBy === null).map(({ id }) => id));
  return units.map((unit) => ({ ...unit, isHeld: unit.testedBy !== null && waiting.has(unit.testedBy) }));
};

/** Must a batch, or all of the unit, wait for the client's word on a test model? */
export const isWaiting = ({ testModel, testedBy, isHeld = false }: Pick<GatedUnit, 'testModel' | 'testedBy' | 'isHeld'>): boolean =>
  isHeld || (testModel === 'waiting' && testedBy === null);

/** The unit as it will be painted: a test model that waits for the client's word is taken as approved. */
export const approved = <U extends GatedUnit>(unit: U): U => ({
  ...unit,
  testModel: unit.testModel === 'waiting' ? 'approved' : unit.testModel,
  isHeld: false,
});

/** Models that the box should hold: those promised, without what is owned or not needed. */
export const expectedOf = ({ promised, owned }: Pick<Unit, 'promised' | 'owned'>): number => promised - owned;

/**
 * Models to paint: what is in the box, or what it should hold until it is counted.
 *
 * @example modelsOf({ promised: 20, owned: 2, counted: null }) // 18
 * @example modelsOf({ promised: 20, owned: 2, counted: 17 }) // 17
 */
export const modelsOf = (unit: Pick<Unit, 'promised' | 'owned' | 'counted'>): number => unit.counted ?? expectedOf(unit);

/** Whether anybody has written down yet how the unit is painted. */
export const hasScheme = ({ scheme }: Pick<Unit, 'scheme'>): boolean => scheme.parts.length + scheme.allOver.length > 0;

/** A count that does not match and that nobody has settled yet. */
export const hasOpenCount = (unit: Pick<Unit, 'promised' | 'owned' | 'counted' | 'countNote'>): boolean =>
  unit.counted !== null && unit.counted !== expectedOf(unit) && unit.countNote.trim() === '';
