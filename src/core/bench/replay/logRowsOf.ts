import { halfOfId } from '../../scheme/model/halves';
import type { LogRow } from '../../log/definitions';
import type { Stretch } from '../definitions';

/** A row that keeps its id while its stretch of work grows. */
export interface IdentifiedLogRow extends LogRow {
  id: string;
}

/** Shorter than anybody touches up: a second tap by mistake. */
const SHORTEST_MINUTES = 0.01;

const LONGEST_NOTE = 4000;

const rounded = (minutes: number) => Math.round(minutes * 1000) / 1000;

/** The time log rows of stretches of work, named as they were named then. */
export function logRowsOf(stretches: readonly Stretch[]): IdentifiedLogRow[] {
  return stretches
    .filter((stretch) => !stretch.touchUp || stretch.minutes >= SHORTEST_MINUTES)
    .map(({ id, facts, unit, step, ...stretch }) => ({
      id,
      startedAt: new Date(stretch.startedAt).toISOString(),
      commissionId: facts.commissionId,
      unitId: unit,
      stepId: halfOfId(step).stepId,
      stepLike: facts.like,
      commission: facts.commission,
      unit: facts.unit,
      part: facts.part,
      technique: stretch.touchUp ? 'touchup' : facts.technique,
      called: stretch.touchUp ? null : (facts.own?.name ?? null),
      size: facts.size,
      coverage: facts.coverage,
      models: stretch.models.length,
      weight: rounded(stretch.weight),
      effort: facts.effort,
      minutes: rounded(stretch.minutes),
      open: stretch.open,
      setupMinutes: stretch.setupMinutes === null ? null : rounded(stretch.setupMinutes),
      setupFrom: stretch.setupFrom,
      setupTo: stretch.setupTo,
      note: stretch.notes.join('; ').slice(0, LONGEST_NOTE),
    }));
}
