import { MINUTE_MS } from '../../kernel/timeUnits';
import { SITTING_GAP_MINUTES } from './foldClock';

/** The computer's clock is corrected by so much now and then; that is followed at once. */
const CORRECTION_MS = 2_000;

/**
 * The time of the bench (UTC ms): the computer's clock, except that a clock set back or ahead in the middle of a sitting is not followed until
 * the sitting is over, and never back behind a tap. Minutes between two taps are what really passed between them.
 */
export class SteadyClock {
  private at = 0;
  private passedAt = 0;
  /** What comes next lies behind it. */
  private lastTapAt = -Infinity;

  /** `wall` is the computer's clock, `passed` counts milliseconds and is never set, sleep included where the system tells of it. */
  constructor(
    private readonly wall: () => number,
    private readonly passed: () => number,
  ) {
    this.begin();
  }

  /** As the computer's clock is now, with no tap behind it. */
  begin(): void {
    this.at = this.wall();
    this.passedAt = this.passed();
    this.lastTapAt = -Infinity;
  }

  now(): number {
    const passed = this.passed();
    this.at += Math.max(0, passed - this.passedAt);
    this.passedAt = passed;
    const wall = this.wall();
    if (Math.abs(wall - this.at) <= CORRECTION_MS) this.at = Math.max(this.at, wall);
    else if (this.at - this.lastTapAt > SITTING_GAP_MINUTES * MINUTE_MS && wall >= this.lastTapAt) this.at = wall;
    return this.at;
  }

  /** A tap at this moment (UTC ms): the sitting goes on. One a little ahead is believed, as the clock was set back since. */
  tapped(at: number): void {
    const now = this.now();
    if (at > now + SITTING_GAP_MINUTES * MINUTE_MS) return;
    this.at = Math.max(now, at);
    this.lastTapAt = Math.max(this.lastTapAt, at);
  }

  /** Goes on from a tap, however far the computer's clock is behind it. */
  goOnFrom(at: number): void {
    this.at = Math.max(this.now(), at);
    this.lastTapAt = at;
  }
}
