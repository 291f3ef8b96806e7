import type { BenchEvent, BenchEventKind } from '../../src/core/bench/definitions';
import { LONGEST_SETUP_MINUTES } from '../../src/core/bench/replay/foldClock';
import type { Random } from './random';

/** A pass as the painter under test knows it. */
export interface WalkPass {
  key: string;
  unit: string;
  step: string;
  coat: number;
  models: number[];
  /** Planned for an ordinary model; the painter takes between a half and three times as long. */
  minutes: number;
}

/** Work under one start, or after one fetched tray. */
interface Leg {
  setUp: number;
  taps: number;
}
const NO_LEG: Leg = { setUp: 0, taps: 0 };
const setUpOf = ({ setUp, taps }: Leg) => (taps > 0 ? setUp : 0);
const NOT_KNOWN = { setUp: null, isTold: false };
const FETCH_MINUTES = 0.5;

type Act = 'paint' | 'start' | 'pause' | 'undo' | 'miss' | 'touch up' | 'set aside' | 'note' | 'repaint' | 'without' | 'evening' | 'twice';
const ACTS: readonly Act[] = [
  'paint',
  'paint',
  'paint',
  'paint',
  'paint',
  'start',
  'start',
  'pause',
  'undo',
  'miss',
  'touch up',
  'set aside',
  'note',
  'repaint',
  'without',
  'evening',
  'twice',
];

/**
 * A painter who works at random and knows what was really done: which models carry which pass, and how many minutes it took.
 * The program sees only the taps.
 */
export class RandomPainter {
  /** Minutes since the walk began. */
  now = 0;
  /** Hands-on minutes of painting that were worked and are not undone. */
  worked = 0;
  readonly marks = new Map<string, Set<number>>();
  readonly missed = new Set<string>();
  /** Left out: there is nothing on them that could be missed. */
  private readonly without = new Set<string>();
  private inHand: WalkPass | null = null;
  /** Worked since the last tap and given to the next one. */
  private pending = 0;
  private last: { event: BenchEvent; pass: WalkPass; model: number; minutes: number; fetching: number; before: Leg } | null = null;
  /** Getting ready in front of the models painted since, as long as there are any. */
  private leg: Leg = NO_LEG;
  /** Set-up minutes of finished legs. */
  private setUpBefore = 0;
  private readonly painted: WalkPass[] = [];

  constructor(
    private readonly random: Random,
    private readonly tap: (minute: number, kind: BenchEventKind, more: Partial<BenchEvent>) => BenchEvent,
  ) {}

  /** Does something of the passes there are now; answers with the taps, perhaps none. */
  act(passes: readonly WalkPass[]): BenchEvent[] {
    switch (this.random.pick(ACTS)) {
      case 'paint':
        return this.paint(passes);
      case 'start':
        return this.start(this.random.pick(passes));
      case 'pause':
        return this.pause();
      case 'undo':
        return this.undo();
      case 'miss':
        return this.miss();
      case 'touch up':
        return this.touchUp();
      case 'set aside':
        return this.other('set-aside', this.random.pick(passes));
      case 'note':
        return this.other('noted', this.random.pick(passes));
      case 'repaint':
        return this.repaint();
      case 'without':
        return this.doWithout(this.random.pick(passes));
      case 'evening':
        return this.evening();
      case 'twice':
        return this.tapTwice();
    }
  }

  /** Minutes of getting ready that went before something that is painted: no waiting, no absence, no break. */
  get setUp(): number {
    return this.setUpBefore + setUpOf(this.leg);
  }

  isMarked = (pass: Pick<WalkPass, 'key'>, model: number) => this.marks.get(pass.key)?.has(model) ?? false;

  private send(kind: BenchEventKind, more: Partial<BenchEvent> = {}): BenchEvent {
    // No two taps of one hand are in the same moment.
    this.now += 0.001;
    return this.tap(this.now, kind, more);
  }

  private of = ({ unit, step, coat }: WalkPass) => ({ unit, step, coat });

  private start(pass: WalkPass): BenchEvent[] {
    const gap = this.gapBefore();
    this.endLeg();
    this.inHand = pass;
    this.pending = 0;
    this.last = null;
    const event = this.send('started', this.of(pass));
    this.leg = { setUp: gap.setUp === null ? 0 : gap.setUp + 0.001, taps: 0 };
    if (!gap.isTold) return [event];
    return [{ ...event, readyAt: new Date(Date.parse(event.at) - Math.round(this.leg.setUp * 60_000)).toISOString() }];
  }

  /** Time until the next start: getting ready, perhaps after something has dried or after the painter was away. */
  private gapBefore(): { setUp: number | null; isTold: boolean } {
    const kind = this.random.pick(['ready', 'ready', 'ready', 'wait', 'away'] as const);
    const wait =
      kind === 'ready' ? 0 : kind === 'wait' ? 5 + this.random.uniform() * 40 : LONGEST_SETUP_MINUTES + this.random.uniform() * 30;
    const setUp = this.random.uniform() * 5;
    this.now += wait + setUp;
    if (kind === 'wait' || !this.inHand) return this.random.chance(0.5) || this.inHand ? { setUp, isTold: true } : NOT_KNOWN;
    const sinceTap = this.pending + wait + setUp;
    return sinceTap + 0.001 > LONGEST_SETUP_MINUTES ? NOT_KNOWN : { setUp: sinceTap, isTold: false };
  }

  private endLeg(): void {
    this.setUpBefore += setUpOf(this.leg);
    this.leg = NO_LEG;
  }

  private paint(passes: readonly WalkPass[]): BenchEvent[] {
    const pass = this.inHand && passes.find((each) => each.key === this.inHand!.key);
    if (!pass) return this.start(this.random.pick(passes));
    const open = pass.models.filter((model) => !this.isMarked(pass, model));
    if (open.length === 0) return this.start(this.random.pick(passes));
    const model = this.random.pick(open);
    const minutes = pass.minutes * (0.5 + 2.5 * this.random.uniform());
    this.now += minutes;
    const took = this.pending + minutes + 0.001;
    const before = this.leg;
    const isFetched = before.taps > 0 && this.random.chance(0.1);
    const fetching = isFetched ? Math.min(FETCH_MINUTES, took / 2) : 0;
    const event = this.send('done', { ...this.of(pass), models: [model], fetchMinutes: isFetched ? FETCH_MINUTES : null });
    if (isFetched) this.setUpBefore += setUpOf(before);
    this.leg = isFetched ? { setUp: fetching, taps: 1 } : { ...before, taps: before.taps + 1 };
    this.worked += took - fetching;
    this.pending = 0;
    this.mark(pass, model);
    this.last = { event, pass, model, minutes: took, fetching, before };
    return [event];
  }

  private mark(pass: WalkPass, model: number): void {
    if (!this.marks.has(pass.key)) this.marks.set(pass.key, new Set());
    this.marks.get(pass.key)!.add(model);
    if (!this.painted.includes(pass)) this.painted.push(pass);
  }

  private pause(): BenchEvent[] {
    const paused = this.send('paused');
    // Up to the pause it is work, if a pass is in hand.
    if (this.inHand) this.pending += 0.001;
    this.now += this.random.uniform() * 60;
    this.last = null;
    return [paused, this.send('resumed')];
  }

  private undo(): BenchEvent[] {
    if (!this.last) return [];
    const { event, pass, model, minutes, fetching, before } = this.last;
    this.marks.get(pass.key)!.delete(model);
    this.missed.delete(`${pass.key} ${model}`);
    this.worked -= minutes - fetching;
    if (fetching > 0) this.setUpBefore -= setUpOf(before);
    this.leg = before;
    this.pending = minutes;
    this.last = null;
    // Undoing takes no time of its own.
    return [this.tap(this.now, 'undone', { target: event.id, unit: pass.unit })];
  }

  private somethingPainted(): { pass: WalkPass; model: number } | null {
    const passes = this.painted.filter((pass) => (this.marks.get(pass.key)?.size ?? 0) > 0);
    if (passes.length === 0) return null;
    const pass = this.random.pick(passes);
    return { pass, model: this.random.pick([...this.marks.get(pass.key)!]) };
  }

  private miss(): BenchEvent[] {
    const place = this.somethingPainted();
    if (!place || this.without.has(`${place.pass.key} ${place.model}`)) return [];
    this.missed.add(`${place.pass.key} ${place.model}`);
    return [this.quiet('missed', { ...this.of(place.pass), models: [place.model] })];
  }

  private touchUp(): BenchEvent[] {
    const [first] = this.missed;
    if (first === undefined || !this.inHand) return [];
    const [key, model] = first.split(' ') as [string, string];
    const pass = this.painted.find((each) => each.key === key)!;
    this.missed.delete(first);
    const minutes = 0.5 + this.random.uniform();
    this.endLeg();
    this.now += minutes;
    this.worked += this.pending + minutes + 0.001;
    this.pending = 0;
    this.last = null;
    return [this.send('touched-up', { ...this.of(pass), models: [Number(model)] })];
  }

  /** A tap that neither takes time nor moves the clock. */
  private quiet(kind: BenchEventKind, more: Partial<BenchEvent>): BenchEvent {
    const event = this.send(kind, more);
    if (this.inHand) this.pending += 0.001;
    this.last = null;
    return event;
  }

  private other(kind: 'set-aside' | 'noted', pass: WalkPass): BenchEvent[] {
    const models = [this.random.pick(pass.models)];
    const set = this.quiet(kind, { ...(kind === 'noted' ? this.of(pass) : { unit: pass.unit }), models, note: 'something' });
    return kind === 'noted' ? [set] : [set, this.quiet('brought-back', { unit: pass.unit, models })];
  }

  private repaint(): BenchEvent[] {
    const place = this.somethingPainted();
    if (!place) return [];
    this.marks.get(place.pass.key)!.delete(place.model);
    this.missed.delete(`${place.pass.key} ${place.model}`);
    this.without.delete(`${place.pass.key} ${place.model}`);
    return [this.quiet('reopened', { ...this.of(place.pass), models: [place.model] })];
  }

  /** A model does without the pass: no time is worked, and it may be painted after all once it is opened again. */
  private doWithout(pass: WalkPass): BenchEvent[] {
    const open = pass.models.filter((model) => !this.isMarked(pass, model));
    if (open.length === 0) return [];
    const model = this.random.pick(open);
    if (!this.marks.has(pass.key)) this.marks.set(pass.key, new Set());
    this.marks.get(pass.key)!.add(model);
    this.without.add(`${pass.key} ${model}`);
    if (!this.painted.some(({ key }) => key === pass.key)) this.painted.push(pass);
    return [this.quiet('left-out', { ...this.of(pass), models: [model] })];
  }

  /** Stops for the night, with a word or without, and comes back the next day. */
  private evening(): BenchEvent[] {
    const said = this.random.chance(0.7) ? [this.send('ended')] : [];
    this.now += 600 + this.random.uniform() * 300;
    this.endLeg();
    this.inHand = null;
    this.pending = 0;
    this.last = null;
    return said;
  }

  /** The last model is tapped again, as on another device. */
  private tapTwice(): BenchEvent[] {
    if (!this.last) return [];
    const { pass, model } = this.last;
    return [this.quiet('done', { ...this.of(pass), models: [model] })];
  }
}
