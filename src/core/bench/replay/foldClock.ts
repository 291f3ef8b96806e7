import { coatKey } from '../../kernel/ids';
import { MINUTE_MS } from '../../kernel/timeUnits';
import { setupId, NOTHING_IN_HAND } from '../../scheme/passes/setups';
import { passKeyOf, type BenchClock, type BenchEvent, type Marks, type Stretch, type WorkFacts } from '../definitions';
import { divideStretch, type TimedTap } from './divideStretch';
import { effectiveEvents } from './effectiveEvents';
import { FactsBook, type KnownFacts } from './factsBook';

/** Nobody sets up for longer: the spray place takes six minutes, and a longer gap before a start was something else. */
export const LONGEST_SETUP_MINUTES = 20;
/** A tray fetched quicker than planned still leaves so much of the time for painting. */
const MOST_FETCHING = 0.5;
/** After a gap longer than this everything begins anew: nobody has sat there all the time. Folds of sittings add up to the fold of all. */
export const SITTING_GAP_MINUTES = 240;

export const idleClock = (): BenchClock => ({
  current: null,
  picked: null,
  startedAnyway: null,
  workingSince: null,
  pausedSince: null,
  lastAt: null,
  lastUndoable: null,
});

/** Getting ready, and from which setup to which where that was measured. */
interface Setup {
  minutes: number | null;
  from: string | null;
  to: string | null;
}
const NOT_MEASURED: Setup = { minutes: null, from: null, to: null };

interface OpenStretch {
  id: string;
  unit: string;
  step: string;
  coat: number;
  facts: WorkFacts | undefined;
  startedAt: number;
  taps: TimedTap[];
  setupMinutes: number | null;
  setupFrom: string | null;
  setupTo: string | null;
  touchUp: boolean;
  notes: string[];
}

interface ClockBefore {
  /** The clock to go on from. */
  before?: BenchClock;
  /** The marks that stood then. */
  marked?: Marks;
  knownFacts?: KnownFacts;
}

/**
 * One clock for the one pair of hands: replays events into the stretches of work and where the clock stands. Work whose facts
 * nobody knows moves the clock and makes no stretch.
 */
export function foldClock(
  events: readonly BenchEvent[],
  { before = idleClock(), marked = new Map(), knownFacts }: ClockBefore = {},
): { clock: BenchClock; stretches: Stretch[] } {
  const fold = new ClockFold(before, marked, new FactsBook(events, knownFacts));
  for (const event of effectiveEvents(events)) fold.take(event);
  return {
    clock: fold.clock,
    stretches: fold.stretches.flatMap(({ facts, ...stretch }) => (facts ? divideStretch({ ...stretch, facts }) : [])),
  };
}

/** The clock as it is at `now` (UTC ms): after a night nothing is in the hand any more. */
export const clockAt = (clock: BenchClock, now: number): BenchClock =>
  clock.lastAt !== null && now - clock.lastAt > SITTING_GAP_MINUTES * MINUTE_MS
    ? { ...idleClock(), lastAt: clock.lastAt, lastUndoable: clock.lastUndoable }
    : clock;

class ClockFold {
  clock: BenchClock;
  readonly stretches: OpenStretch[] = [];
  private stretch: OpenStretch | null = null;
  private readonly done = new Map<string, Set<number>>();

  constructor(
    before: BenchClock,
    private readonly marked: Marks,
    private readonly book: FactsBook,
  ) {
    this.clock = { ...before };
  }

  take(event: BenchEvent): void {
    const at = Date.parse(event.at);
    if (clockAt(this.clock, at) !== this.clock) {
      this.clock = clockAt(this.clock, at);
      this.stretch = null;
    }
    const key = passKeyOf(event);
    this.apply(event, key, at);
    if (event.kind !== 'elsewhere') this.clock.lastUndoable = { id: event.id, unit: event.unit };
  }

  private apply(event: BenchEvent, key: string | null, at: number): void {
    switch (event.kind) {
      case 'started':
        return this.start(event, key!, at);
      case 'done':
      case 'touched-up':
        return this.work(event, key!, at);
      case 'kept':
      case 'left-out':
        this.fresh(key!, event.models);
        return;
      case 'reopened':
        for (const model of event.models) this.doneUnder(key!).delete(model);
        return;
      case 'noted':
        if (key === null || this.clock.current?.passKey === key) this.stretch?.notes.push(event.note);
        return;
      case 'picked':
        this.clock.picked = event.models[0] ?? null;
        return;
      case 'paused':
        this.clock.pausedSince ??= at;
        this.clock.lastAt = at;
        return;
      case 'resumed':
        this.resume(at);
        this.clock.lastAt = at;
        return;
      case 'ended':
        return this.stop(at, null);
      case 'elsewhere':
        return this.stop(at, at);
      default:
        return;
    }
  }

  private start(event: BenchEvent, key: string, at: number): void {
    this.resume(at);
    const { clock } = this;
    const isInHand = clock.current?.passKey === key;
    const isSame = this.stretch !== null && !this.stretch.touchUp && isInHand && isSamePot(clock.current, this.handOn(event, key));
    // Started again on a model that is still wet: what went before was waiting.
    if (!isSame || event.models.length === 0) this.openStretch(event, at, false, this.setupBefore(event, at));
    clock.current = this.handOn(event, key);
    clock.startedAnyway = event.models[0] ?? null;
    clock.picked = event.models[0] ?? (isInHand ? clock.picked : null);
    clock.workingSince = at;
    clock.lastAt = at;
  }

  /**
   * What went before a start. Waiting for something to dry is none of it, and what is set up while it dries says nothing of how long
   * that takes.
   */
  private setupBefore(event: BenchEvent, at: number): Setup {
    const { workingSince, current } = this.clock;
    const readyAt = event.readyAt === null ? null : Date.parse(event.readyAt);
    const from = workingSince === null ? readyAt : Math.max(workingSince, readyAt ?? workingSince);
    const minutes = from === null ? null : (at - from) / MINUTE_MS;
    if (minutes === null || minutes > LONGEST_SETUP_MINUTES) return NOT_MEASURED;
    const hasWaited = workingSince !== null && from! > workingSince;
    const before = workingSince === null ? NOTHING_IN_HAND : current?.setupId || null;
    const to = this.handOn(event, coatKey(event.step!, event.coat!))!.setupId || null;
    const isMeasured = !hasWaited && before !== null && to !== null;
    return { minutes: Math.max(0, minutes), from: isMeasured ? before : null, to: isMeasured ? to : null };
  }

  private work(event: BenchEvent, key: string, at: number): void {
    const touchUp = event.kind === 'touched-up';
    const models = touchUp ? event.models : this.fresh(key, event.models);
    if (models.length === 0) return;
    if (event.minutes !== null) return this.tell(event, key, models, at, touchUp);
    this.resume(at);
    const { clock } = this;
    const goesOn = this.stretch && this.stretch.touchUp === touchUp && coatKey(this.stretch.step, this.stretch.coat) === key;
    const from = Math.max(clock.workingSince ?? 0, event.readyAt === null ? 0 : Date.parse(event.readyAt));
    const elapsed = clock.workingSince === null ? null : Math.max(0, at - from) / MINUTE_MS;
    const fetching = elapsed === null || event.fetchMinutes === null ? null : Math.min(event.fetchMinutes, MOST_FETCHING * elapsed);
    const stretch =
      goesOn && fetching === null
        ? this.stretch!
        : this.openStretch(event, clock.workingSince ?? at, touchUp, { ...NOT_MEASURED, minutes: fetching });
    stretch.taps.push({ id: event.id, at, models, minutes: elapsed === null ? null : elapsed - (fetching ?? 0), isTold: false });
    if (!touchUp) {
      clock.current = this.handOn(event, key);
      clock.picked = clock.startedAnyway = null;
    }
    clock.workingSince = at;
    clock.lastAt = at;
  }

  private handOn(event: BenchEvent, passKey: string): BenchClock['current'] {
    const facts = this.book.of(event);
    return { unit: event.unit!, passKey, setupId: facts ? setupId({ ...facts, id: event.step! }, facts.paintId) : '' };
  }

  /**
   * Told afterwards, from the leg sheet say. What is in hand stays there; the time that ran for this very pass is in what was told, and
   * models ticked after it are a stretch of their own.
   */
  private tell(event: BenchEvent, key: string, models: number[], at: number, touchUp: boolean): void {
    const inHand = this.stretch;
    this.openStretch(event, at, touchUp, NOT_MEASURED).taps.push({ id: event.id, at, models, minutes: event.minutes, isTold: true });
    this.stretch = inHand && coatKey(inHand.step, inHand.coat) === key ? null : inHand;
    if (this.clock.current?.passKey === key && this.clock.workingSince !== null) this.clock.workingSince = at;
  }

  /** Models that were not done yet: the same model tapped on two devices counts once. */
  private fresh(key: string, models: readonly number[]): number[] {
    const done = this.doneUnder(key);
    const fresh = models.filter((model) => !done.has(model));
    for (const model of fresh) done.add(model);
    return fresh;
  }

  private doneUnder(key: string): Set<number> {
    let done = this.done.get(key);
    if (!done) this.done.set(key, (done = new Set(this.marked.get(key)?.keys())));
    return done;
  }

  /** The time spent paused is neither work nor setting up. */
  private resume(at: number): void {
    const { clock } = this;
    if (clock.pausedSince === null) return;
    if (clock.workingSince !== null) clock.workingSince += Math.max(0, at - Math.max(clock.pausedSince, clock.workingSince));
    clock.pausedSince = null;
  }

  private stop(at: number, workingSince: number | null): void {
    this.clock = { ...idleClock(), workingSince, lastAt: at, lastUndoable: this.clock.lastUndoable };
    this.stretch = null;
  }

  private openStretch(event: BenchEvent, startedAt: number, touchUp: boolean, setup: Setup): OpenStretch {
    this.stretch = {
      id: event.id,
      unit: event.unit!,
      step: event.step!,
      coat: event.coat!,
      facts: this.book.of(event),
      startedAt,
      taps: [],
      setupMinutes: setup.minutes,
      setupFrom: setup.from,
      setupTo: setup.to,
      touchUp,
      notes: [],
    };
    this.stretches.push(this.stretch);
    return this.stretch;
  }
}

const isSamePot = (a: BenchClock['current'], b: BenchClock['current']): boolean => a?.setupId === b?.setupId;
