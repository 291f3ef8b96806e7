/** Taps that were moved back, as the clock was ahead when they were made. */
export interface ClockCorrection {
  id: string;
  /** What the clock said when they were moved, UTC ISO 8601. */
  madeAt: string;
  /** Negative: back. */
  movedByMs: number;
  taps: number;
}
