import type { CompiledLine } from '../problem/compiledLine';
import type { Begun } from './begunOrder';
import type { DateBounds } from './dates';
import type { MinuteCosts } from './minuteCosts';
import type { Rest } from './restOfOrder';

/** Rounding up to which one begun order counts as no worse than another. */
const ROUNDING = 1e-9;

/** Tells which of two begun orders of the same jobs leaves the rest at least as well off (dominance, Ibaraki 1977). */
export class Dominance {
  private readonly shortcuts: [from: number, to: number][];

  constructor(
    private readonly line: CompiledLine,
    private readonly dates: DateBounds,
    private readonly costs: MinuteCosts,
  ) {
    this.shortcuts = costs.isEndless ? [] : shortcutsBySession(line);
  }

  /** Is being earlier never worse for this rest? */
  mayCompare({ jobsOfSetup }: Rest): boolean {
    return !this.shortcuts.some(([from, to]) => jobsOfSetup[from]! > 0 && jobsOfSetup[to]! > 0);
  }

  /** Does every rest that fits the second fit the first with no greater total? */
  isNoWorse(first: Begun, second: Begun, { open, jobsOfSetup }: Rest): boolean {
    const { isEndless, perMinute, perLostMinute } = this.costs;
    // The second goes on with what it has in hand without another leg.
    const leg = first.held !== second.held && jobsOfSetup[second.held]! > 0 ? this.line.objective.leg : 0;
    const spared = second.owed - first.owed - leg;
    if (!isEndless && (spared < 0 || first.session > second.session)) return false;
    if (this.shortcuts.length > 0 && first.session !== second.session) return false;
    // To be ready sooner can be to wait at the bench where the other goes home: only the same is no worse.
    if (perLostMinute > 0) return first.session === second.session && first.felt.every((at, index) => at === second.felt[index]);
    // Without sessions, all that follows is at most so much later as what it can feel, and so is each date not settled yet.
    const mayBeLater = isEndless ? spared / (perMinute + this.dearestLateness(open)) + ROUNDING : 0;
    const length = first.felt.length;
    for (let index = 0; index < length; index++) if (first.felt[index]! - second.felt[index]! > mayBeLater) return false;
    return true;
  }

  /** What a minute costs all the dates that are not settled. */
  private dearestLateness(open: number): number {
    const { dates, all } = this.dates;
    const { perMinuteLate, count } = this.line.due;
    if (open === 0 && count === dates.length) return 0;
    let minutes = 0;
    for (let date = 0; date < count; date++) {
      const bit = dates.indexOf(date);
      if (bit < 0 || (open & all & (1 << bit)) !== 0) minutes += perMinuteLate[date]!;
    }
    return minutes;
  }
}

/**
 * Pairs of setups where starting the second afresh costs more than starting the first, painting a model with it and
 * changing over. With such a pair among what is left it can pay to be so late that a session is missed; without one,
 * being earlier is never worse.
 */
function shortcutsBySession(line: CompiledLine): [from: number, to: number][] {
  const { start, changeover, setupCount } = line;
  const quickestModel = new Float64Array(setupCount).fill(Infinity);
  line.jobSetup.forEach((setup, job) => {
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++)
      quickestModel[setup] = Math.min(quickestModel[setup]!, line.cellMinutes[cell]!);
  });
  const pairs: [number, number][] = [];
  for (let from = 0; from < setupCount; from++)
    for (let to = 0; to < setupCount; to++)
      if (start[to]! > start[from]! + quickestModel[from]! + changeover[from * setupCount + to]!) pairs.push([from, to]);
  return pairs;
}
