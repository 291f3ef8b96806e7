import { modelsOf } from '../../../core/scheme/model/definitions';
import type { StoredUnit } from '../../../core/commission/definitions';
import { Button } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import styles from '../View.module.css';

/** Units that were taken out come back with their schemes and all that is painted of them. */
export function RemovedUnits({ units, onBringBack }: { units: StoredUnit[]; onBringBack: (unit: StoredUnit) => void }) {
  if (units.length === 0) return null;
  return (
    <details className={styles.removed} data-testid="removed">
      <summary>{counted(units.length, 'unit')} removed</summary>
      <ul>
        {units.map((unit) => (
          <li key={unit.id}>
            {unit.name}, {counted(modelsOf(unit), 'model')}{' '}
            <Button kind="quiet" onClick={() => onBringBack(unit)}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
