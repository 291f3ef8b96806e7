import type { BenchEvent, BenchEventKind } from '../../src/core/bench/definitions';
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

type Act = 'paint' | 'start' | 'pause' | 'undo' | 'miss' | 'touch up' | 'set aside' | 'note' | 'repaint' | 'evening' | 'twice';
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
  private inHand: WalkPass | null = null;
  /** Worked since the last tap and given to the next one. */
  private pending = 0;
  private last: { event: BenchEvent; pass: WalkPass; model: number; minutes: number } | null = null;
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
      case 'evening':
        return this.evening();
      case 'twice':
        return this.tapTwice();
    }
  }

  isMarked = (pass: Pick<WalkPass, 'key'>, model: number) => this.marks.get(pass.key)?.has(model) ?? false;

  private send(kind: BenchEventKind, more: Partial<BenchEvent> = {}): BenchEvent {
    // No two taps of one hand are in the same moment.
    this.now += 0.001;
    return this.tap(this.now, kind, more);
  }

  private of = ({ unit, step, coat }: WalkPass) => ({ unit, step, coat });

  private start(pass: WalkPass): BenchEvent[] {
    this.now += this.random.uniform() * 5;
    this.inHand = pass;
    this.pending = 0;
    this.last = null;
    return [this.send('started', this.of(pass))];
  }

  private paint(passes: readonly WalkPass[]): BenchEvent[] {
    const pass = this.inHand && passes.find((each) => each.key === this.inHand!.key);
    if (!pass) return this.start(this.random.pick(passes));
    const open = pass.models.filter((model) => !this.isMarked(pass, model));
    if (open.length === 0) return this.start(this.random.pick(passes));
    const model = this.random.pick(open);
    const minutes = pass.minutes * (0.5 + 2.5 * this.random.uniform());
    this.now += minutes;
    const event = this.send('done', { ...this.of(pass), models: [model] });
    const took = this.pending + minutes + 0.001;
    this.worked += took;
    this.pending = 0;
    this.mark(pass, model);
    this.last = { event, pass, model, minutes: took };
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
    const { event, pass, model, minutes } = this.last;
    this.marks.get(pass.key)!.delete(model);
    this.missed.delete(`${pass.key} ${model}`);
    this.worked -= minutes;
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
    if (!place) return [];
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
    return [this.quiet('reopened', { ...this.of(place.pass), models: [place.model] })];
  }

  /** Stops for the night, with a word or without, and comes back the next day. */
  private evening(): BenchEvent[] {
    const said = this.random.chance(0.7) ? [this.send('ended')] : [];
    this.now += 600 + this.random.uniform() * 300;
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
