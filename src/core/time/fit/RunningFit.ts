import type { Steps } from '../../kernel/steps';
import type { JudgedRow, Oddity } from '../../log/definitions';
import { Fit } from './Fit';
import { fittedOf, oddRows, type Fitted } from './fitted';
import { prepareLog } from './observations';
import { PRIOR_SPREADS, type Spreads } from './spreads';

/** What a log has come to, and which of its rows look odd. */
export interface FittedRows<R extends JudgedRow> {
  fitted: Fitted;
  odd: Map<R, Oddity>;
}

/**
 * A fit that is kept up with a log that grows: each goes on from the one before, is done in a few rounds, and comes to the same but
 * for rounding. Rows are known by being the same objects.
 */
export class RunningFit<R extends JudgedRow = JudgedRow> {
  private last: { fit: Fit; places: Map<R, number> } | null = null;

  /** A log of fewer rows than `goesOnFrom` is fitted afresh every time. */
  constructor(private readonly goesOnFrom = 0) {}

  /** The posterior for given spreads; `now` gives the rows their ages. In which order they come does not matter. */
  *fit(rows: readonly R[], now: Date, spreads: Spreads = PRIOR_SPREADS): Steps<FittedRows<R>> {
    const fit = new Fit(prepareLog(rows, now), spreads);
    yield;
    const { last } = this;
    if (last && rows.length >= this.goesOnFrom) fit.startFrom(last.fit, (index) => last.places.get(rows[index]!));
    yield* fit.settle();
    this.last = { fit, places: new Map(fit.log.observations.map(({ index }, place) => [rows[index]!, place])) };
    return { fitted: fittedOf(fit, now), odd: oddRows(fit, rows) };
  }
}
