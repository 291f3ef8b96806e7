import type { Level, Size } from './definitions';
import type { OwnTechnique, Technique } from './techniques';
import { DEFAULT_SCHOOLS, type Schools, type Strengths } from './schools';

/** How this painter works: sessions in the week, what changing over costs, tools owned, schools. */

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** A weekly bench session in local time; weekday 0 is Monday. `to` may be 24:00. */
export interface WeeklySession {
  weekday: number;
  from: string;
  to: string;
}

/** Time that is taken: nobody sits at the bench then. */
export interface Away {
  /** As the calendar names it that it came from; the same again takes its place. */
  uid: string;
  /** UTC ISO 8601. */
  from: string;
  to: string;
  what: string;
}

/** How units share the bench: the first is the default. */
export const BATCHES = ['across units', 'one unit at a time', 'finish what is nearly done first'] as const;
export type Batches = (typeof BATCHES)[number];

/** Factors on how far a technique strays onto what is painted already; 1 where it is left out. */
export type StrayFactors = { [T in Technique]?: number };

/** Who signs quotes, statements and sheets. */
export interface Painter {
  name: string;
  /** Lines of an address; empty while nobody has said. */
  address: string;
}

export interface HouseRules {
  sessions: WeeklySession[];
  /** Holidays and evenings that are taken. */
  away: Away[];
  /** Opening, thinning or mixing a paint. */
  paintMinutes: number;
  /** A mix that is the one in hand and a little more. */
  dropMinutes: number;
  /** Cleaning one brush or tool and taking up another. */
  handMinutes: number;
  /** Changing the water after metallic paint. */
  waterMinutes: number;
  /** Setting up or cleaning a spray place or an airbrush. */
  sprayMinutes: number;
  /** Putting the tray in hand away and taking up another one. */
  fetchMinutes: number;
  /** Sitting down to it: light, palette, water. */
  sitDownMinutes: number;
  dryBrushes: number;
  dryBrushRestMinutes: number;
  airbrushes: number;
  /** Factor on all drying: about 1.5 at 12 C or 75 % humidity. */
  dryingFactor: number;
  /** Models of each size that fit a holder, the most that can travel together. */
  holderModels: Record<Size, number>;
  /** Work on one tray without putting it down that the painter can keep up. */
  stretchMinutes: number;
  /** Identical models in a row before the painter wants something else; 0 for no limit. */
  mostInARow: number;
  /** How much longer a leader takes than the others. */
  leaderFactor: number;
  /** How many minutes at the bench it is worth to be done a day sooner. */
  dayMinutes: number;
  /** What a change of what is in hand is worth beyond the minutes it takes. */
  changeMinutes: number;
  /** Mixing a hand mix again that has dried on the palette, on top of taking it up. */
  mixAgainMinutes: number;
  schools: Schools;
  strengths: Strengths;
  /** What wishes are worth, minutes on a model, by the id of their rule; those that are left out are worth what the program ships. */
  wishMinutes: Partial<Record<string, number>>;
  /** Techniques of the painter's own, and the brushes by their names; both empty before. */
  techniques: OwnTechnique[];
  /** Levels by the minutes that a model takes; empty before. */
  levels: Level[];
  brushes: string[];
  /** How much further or less far each technique strays than assumed, as the log has taught; never typed, and left out before. */
  strays?: StrayFactors;
  batches: Batches;
  /** The key that a foot pedal sends, as `KeyboardEvent.key` names it; '' without a pedal. */
  pedal: string;
  painter: Painter;
  hourlyRateMinor: number;
  currency: string;
}

/** What a new painter starts from; every value is shown and changed in House rules. */
export const DEFAULT_HOUSE_RULES: HouseRules = {
  sessions: [
    { weekday: 0, from: '19:00', to: '21:30' },
    { weekday: 1, from: '19:00', to: '21:30' },
    { weekday: 3, from: '19:00', to: '21:30' },
    { weekday: 5, from: '14:00', to: '18:00' },
  ],
  paintMinutes: 1.5,
  dropMinutes: 0.5,
  handMinutes: 0.5,
  waterMinutes: 1.5,
  sprayMinutes: 6,
  fetchMinutes: 0.5,
  sitDownMinutes: 2,
  dryBrushes: 1,
  dryBrushRestMinutes: 30,
  airbrushes: 1,
  dryingFactor: 1,
  holderModels: { tiny: 40, foot: 20, heavy: 12, mounted: 10, vehicle: 6, large: 4, scenery: 10 },
  stretchMinutes: 45,
  mostInARow: 0,
  leaderFactor: 1.6,
  dayMinutes: 5,
  changeMinutes: 0.3,
  mixAgainMinutes: 2.5,
  schools: DEFAULT_SCHOOLS,
  strengths: {},
  wishMinutes: {},
  techniques: [],
  levels: [],
  brushes: [],
  batches: BATCHES[0],
  pedal: '',
  painter: { name: '', address: '' },
  away: [],
  hourlyRateMinor: 2400,
  currency: 'EUR',
};
