import { allSteps } from '../../scheme/model/allSteps';
import { modelsOf, type Unit } from '../../scheme/model/definitions';
import { InputError } from '../../kernel/InputError';
import { MOST_JOBS } from '../lineProblem';

/** Coats that a unit may have in all its steps: what comes before what is looked at for every pair of them. */
const MOST_COATS = 400;
/** Models painted, each counted for every coat on it, that one line may hold. */
const MOST_PAINTED = 400_000;

/** What planning these units would have to compute. */
interface WorkSize {
  jobs: number;
  painted: number;
}

/**
 * Refuses units that make more work than the program plans as one line, whatever their length as text; leaders and standards are
 * left out of account, so that neither can push a unit over the limit later. Throws an `InputError`.
 */
export function checkWorkSize(
  units: readonly Pick<Unit, 'name' | 'promised' | 'owned' | 'counted' | 'trayLimit' | 'scheme'>[],
  field = 'units',
): void {
  const size: WorkSize = { jobs: 0, painted: 0 };
  for (const unit of units) {
    const coats = allSteps(unit.scheme).reduce((sum, step) => sum + step.coats, 0);
    if (coats > MOST_COATS) throw new InputError(field, coats, `give ${unit.name} at most ${MOST_COATS} coats in all its steps together`);
    const models = modelsOf(unit);
    size.jobs += coats * Math.ceil(models / unit.trayLimit);
    size.painted += coats * models;
  }
  if (size.jobs > MOST_JOBS)
    throw new InputError(
      field,
      size.jobs,
      `plan at most ${MOST_JOBS} jobs at once: choose larger trays, fewer steps, or split the commission`,
    );
  if (size.painted > MOST_PAINTED)
    throw new InputError(
      field,
      size.painted,
      `plan at most ${MOST_PAINTED} coats on models at once: choose fewer models or steps, or split the commission`,
    );
}
