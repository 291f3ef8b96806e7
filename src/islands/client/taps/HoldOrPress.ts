/** Held for so long, a press means the other thing. */
const HOLD_MS = 800;

/** One button, two meanings: a press is told when it is let go, a hold as soon as it is one. */
export class HoldOrPress {
  private timer: ReturnType<typeof setTimeout> | null = null;

  private onPress: () => void = () => undefined;
  private onHold: () => void = () => undefined;

  /** What each of them does from now on. */
  mean(onPress: () => void, onHold: () => void): void {
    this.onPress = onPress;
    this.onHold = onHold;
  }

  down(): void {
    this.timer ??= setTimeout(() => {
      this.timer = null;
      this.onHold();
    }, HOLD_MS);
  }

  up(): void {
    if (this.cancel()) this.onPress();
  }

  /** The finger slid off: neither. True when there was something to leave. */
  cancel(): boolean {
    if (this.timer === null) return false;
    clearTimeout(this.timer);
    this.timer = null;
    return true;
  }
}
