import type { BenchLine, BenchPass } from '../core/bench/guide/benchLine';
import type { BenchClock, BenchMarks, Look, Mark } from '../core/bench/definitions';
import type { CompactEvent } from '../core/bench/wholeEvent';
import type { BenchSession } from '../core/plan/dates/benchSessions';
import type { Paint } from '../core/scheme/model/definitions';
import type { HouseRules } from '../core/scheme/model/houseRules';
import type { Picture } from '../core/commission/pictures';
import type { AmountSaid } from '../core/paint/amountWords';
import type { ModelBudget } from '../core/money/modelBudget';
import type { WorkFigures } from '../core/commission/estimate';
import type { StoredLogRow } from '../core/log/definitions';

/** Marks as they travel: model, done at (UTC ms), drying and handling minutes, number of its setup, and a miss. */
type PackedMark = [
  model: number,
  at: number,
  dryMinutes: number,
  handleMinutes: number,
  setup: number,
  missed?: Mark['missed'],
  leftOut?: true,
];

export interface PackedMarks extends Pick<BenchMarks, 'notes' | 'trouble'> {
  setups: string[];
  marks: [passKey: string, marks: PackedMark[]][];
  aside: [unit: string, models: [model: number, why: string][]][];
  looked: [passKey: string, models: number[]][];
  putOff: [passKey: string, at: number][];
  keptMixes: [unit: string, pots: [pot: string, at: number][]][];
  inspected: [unit: string, looks: [look: Look, models: [model: number, at: number][]][]][];
}

/** What an estimate says of a pass, for the painter to check. */
export interface PassFigure {
  passKey: string;
  p50: number;
  why: string;
}

/** What moves with every model. */
export interface BenchFigures {
  /** Of the line on the bench; null when nothing is on it. */
  figures: WorkFigures | null;
  passes: PassFigure[];
  /** Of units whose price is agreed. */
  budgets: ModelBudget[];
  /** Work whose minutes nobody knows yet. */
  openRows: StoredLogRow[];
  /** How much of each pot the models left take. */
  amounts: (AmountSaid & { unitId: string })[];
}

/** A painted pass of an open commission, and the models that carry it: any of them can be touched up. */
export type PaintedPass = Pick<BenchPass, 'key' | 'stepId' | 'coat' | 'coats' | 'half' | 'part' | 'technique' | 'models'>;

/** A unit with what is painted of it, whether it is on the line or not. */
export interface PaintedUnit {
  id: string;
  name: string;
  commission: string;
  passes: PaintedPass[];
}

/** What the Bench view is drawn from. */
export interface BenchPicture extends BenchFigures {
  line: BenchLine;
  paints: Paint[];
  /** Reference pictures of the units on it. */
  pictures: Picture[];
  house: HouseRules;
  /** The painter's sessions, the one going on first. */
  sessions: BenchSession[];
  /** The server's clock, UTC ms. */
  now: number;
  laidAt: string;
  /** Jobs that came and went since the line was put on the bench. */
  changes: { added: number; gone: number };
  /** The line that this one replaced, which can be put back: when it was laid, and what it is of; null when there is none. */
  replaced: { laidAt: string; names: string[] } | null;
  /** What stood before the events below. */
  before: { marks: PackedMarks; clock: BenchClock };
  /** The latest events, in the order of the clock, without the fields that say nothing. */
  events: CompactEvent[];
  /** Number of the last event that is in all this. */
  seq: number;
  /** Units whose batch waits for the approval of a test model. */
  waitingUnits: string[];
}

export function packMarks({ marks, aside, looked, putOff, keptMixes, inspected, notes, trouble }: BenchMarks): PackedMarks {
  const setups: string[] = [];
  const numberOf = (setup: string) => {
    if (!setups.includes(setup)) setups.push(setup);
    return setups.indexOf(setup);
  };
  return {
    marks: [...marks].map(([key, models]) => [
      key,
      [...models].map(([model, mark]): PackedMark => {
        const setup = numberOf(mark.setupId);
        if (mark.leftOut) return [model, mark.at, mark.dryMinutes, mark.handleMinutes, setup, null, true];
        return mark.missed
          ? [model, mark.at, mark.dryMinutes, mark.handleMinutes, setup, mark.missed]
          : [model, mark.at, mark.dryMinutes, mark.handleMinutes, setup];
      }),
    ]),
    setups,
    aside: [...aside].map(([unit, models]) => [unit, [...models]]),
    looked: [...looked].map(([key, models]) => [key, [...models]]),
    putOff: [...putOff],
    keptMixes: [...keptMixes].map(([unit, pots]) => [unit, [...pots]]),
    inspected: [...inspected].map(([unit, looks]) => [unit, [...looks].map(([look, models]) => [look, [...models]])]),
    notes,
    trouble,
  };
}

export const unpackMarks = ({ marks, setups, aside, looked, putOff, keptMixes, inspected, notes, trouble }: PackedMarks): BenchMarks => ({
  marks: new Map(
    marks.map(([key, models]) => [
      key,
      new Map(
        models.map(([model, at, dryMinutes, handleMinutes, setup, missed, leftOut]) => [
          model,
          { at, dryMinutes, handleMinutes, setupId: setups[setup]!, missed: missed ?? null, ...(leftOut && { leftOut }) },
        ]),
      ),
    ]),
  ),
  aside: new Map(aside.map(([unit, models]) => [unit, new Map(models)])),
  looked: new Map(looked.map(([key, models]) => [key, new Set(models)])),
  putOff: new Map(putOff),
  keptMixes: new Map(keptMixes.map(([unit, pots]) => [unit, new Map(pots)])),
  inspected: new Map(inspected.map(([unit, looks]) => [unit, new Map(looks.map(([look, models]) => [look, new Map(models)]))])),
  notes,
  trouble,
});
