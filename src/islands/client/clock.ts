/** Smaller differences are what a message takes on its way. */
const ON_ITS_WAY_MS = 2_000;

/**
 * The program's time in this window (UTC ms): the server's, as it was last told, and what has passed here since. The clock of the
 * device may be wrong, or be set while the window is open: it is asked only until the server has been heard.
 */
export class WindowClock {
  private at: number;
  private passedAt: number;

  constructor(
    wall: () => number,
    private readonly passed: () => number,
  ) {
    this.at = wall();
    this.passedAt = passed();
  }

  now(): number {
    return this.at + this.passed() - this.passedAt;
  }

  /** The server says what time it is. */
  hear(serverNow: number): void {
    if (Math.abs(serverNow - this.now()) <= ON_ITS_WAY_MS) return;
    this.at = serverNow;
    this.passedAt = this.passed();
  }
}

const clock = new WindowClock(
  () => Date.now(),
  () => performance.now(),
);

export const programNow = (): number => clock.now();
export const hearTime = (serverNow: number): void => clock.hear(serverNow);
