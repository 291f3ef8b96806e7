import { traySizes } from '../../core/plan/choices/trayChoices';
import { approved, type Unit } from '../../core/scheme/model/definitions';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import styles from './View.module.css';

interface TurnChoicesProps {
  unit: Unit;
  house: HouseRules;
  /** No other unit is on the line. */
  isAlone: boolean;
  onChange: (turns: Partial<Pick<Unit, 'trayByTray' | 'goesFirst'>>) => void;
}

/** What is finished before the next is begun; nothing to choose where there is only one tray, and one unit. */
export function TurnChoices({ unit, house, isAlone, onChange }: TurnChoicesProps) {
  const isSplit = traySizes(approved(unit), unit.trayLimit, house).length > 1;
  const hasTrays = isSplit || unit.trayByTray;
  const hasUnits = !isAlone || unit.goesFirst;
  if (!hasTrays && !hasUnits) return null;
  return (
    <fieldset className={styles.turns}>
      <legend>Finished before the next is begun</legend>
      {hasTrays && (
        <label>
          <input type="checkbox" checked={unit.trayByTray} onChange={(event) => onChange({ trayByTray: event.target.checked })} /> each tray
          of {unit.name}
        </label>
      )}
      {hasUnits && (
        <label>
          <input type="checkbox" checked={unit.goesFirst} onChange={(event) => onChange({ goesFirst: event.target.checked })} /> {unit.name}{' '}
          before the other units
        </label>
      )}
      <span className={styles.soft}>What it costs stands on Line.</span>
    </fieldset>
  );
}
