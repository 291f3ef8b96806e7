import { useState } from 'react';
import type { UnitChoice } from '../../contract/line';
import type { Selection } from '../../core/plan/selection';
import { selectionOf, summaryOf } from './selections';
import { Button } from '../../ui/Button/Button';
import { counted, dayText } from '../../ui/format';
import { send } from '../client/api';
import styles from './UnitChooser.module.css';

interface UnitChooserProps {
  choices: readonly UnitChoice[];
  selection: Selection;
}

/** Which units the line is laid over: of one commission, or of several. */
export function UnitChooser({ choices, selection }: UnitChooserProps) {
  const isIn = ({ id, commissionId }: UnitChoice) =>
    selection.some((each) => each.commissionId === commissionId && (each.unitIds === null || each.unitIds.includes(id)));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(choices.filter(isIn).map((unit) => unit.id)));
  const [error, setError] = useState<string | null>(null);
  const commissions = [...new Set(choices.map((unit) => unit.commissionId))].map((id) =>
    choices.filter((unit) => unit.commissionId === id),
  );
  const toggle = (ids: string[], on: boolean) => {
    const next = new Set(chosen);
    for (const id of ids)
      if (on) next.add(id);
      else next.delete(id);
    setChosen(next);
  };
  const take = async () => {
    try {
      await send('PUT', '/api/line/units', { selection: selectionOf(commissions, chosen) });
      // The address may name a commission; what was chosen here wins from now on.
      window.location.assign(window.location.pathname);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  return (
    <details className={styles.chooser} data-testid="chooser">
      <summary>
        {summaryOf(choices.filter(isIn))} <span className={styles.change}>Choose units</span>
      </summary>
      <div className={styles.panel}>
        {commissions.map((units) => {
          const [first] = units as [UnitChoice];
          const ids = units.map((unit) => unit.id);
          return (
            <fieldset key={first.commissionId} className={styles.group}>
              <legend>
                <label className={styles.check}>
                  <input
                    type="checkbox"
                    checked={ids.every((id) => chosen.has(id))}
                    onChange={(event) => toggle(ids, event.target.checked)}
                  />
                  {first.commissionName}, due {dayText(first.dueOn)}
                </label>
              </legend>
              {units.map((unit) => (
                <label key={unit.id} className={styles.check}>
                  <input type="checkbox" checked={chosen.has(unit.id)} onChange={(event) => toggle([unit.id], event.target.checked)} />
                  {unit.name}, {counted(unit.models, 'model')}
                  {!unit.hasScheme && ', no scheme yet'}
                </label>
              ))}
            </fieldset>
          );
        })}
        {error && <p role="alert">{error}</p>}
        <Button kind="main" disabled={chosen.size === 0} onClick={() => void take()}>
          Use {counted(chosen.size, 'unit')}
        </Button>
      </div>
    </details>
  );
}
