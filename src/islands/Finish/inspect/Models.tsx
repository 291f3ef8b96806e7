import type { Look } from '../../../core/bench/definitions';
import { isFinished, type InspectedModel, type UnitInspection } from '../../../core/finish/inspection';
import { Hidden } from '../../../ui/Hidden/Hidden';
import { cx } from '../../../ui/cx';
import { counted } from '../../../ui/format';
import styles from './inspect.module.css';

type State = 'bare' | 'begun' | 'finished' | 'passed' | 'missed' | 'aside';

const STATE_WORDS = {
  bare: 'nothing painted',
  begun: 'not finished',
  finished: 'finished, not looked over',
  passed: 'looked over',
  missed: 'to mend',
  aside: 'set aside',
} as const satisfies Record<State, string>;

function stateOf(model: InspectedModel, look: Look): State {
  if (model.aside !== null) return 'aside';
  if (model.misses.length > 0) return 'missed';
  if (model.inspected[look] !== undefined) return 'passed';
  if (isFinished(model)) return 'finished';
  return model.painted.length === 0 ? 'bare' : 'begun';
}

interface ModelsProps {
  unit: UnitInspection;
  look: Look;
  chosen: number;
  onChoose: (model: number) => void;
}

/** All models of the unit side by side, as they stand on the table: solid was looked over, a ring is finished, a notch is to be mended. */
export function Models({ unit, look, chosen, onChoose }: ModelsProps) {
  return (
    <ol className={styles.models} aria-label={`Models of ${unit.name}`} data-testid="models">
      {unit.models.map((each) => {
        const state = stateOf(each, look);
        const share = each.takes === 0 ? 0 : (each.takes - each.left.length) / each.takes;
        return (
          <li key={each.model}>
            <button
              type="button"
              className={cx(styles.model, styles[state])}
              data-model={each.model}
              data-state={state}
              aria-current={each.model === chosen}
              onClick={() => onChoose(each.model)}
            >
              {state === 'begun' && <span className={styles.level} style={{ height: `${share * 100}%` }} aria-hidden="true" />}
              <span className={styles.number}>{each.model}</span>
              {each.isLeader && <small aria-hidden="true">leader</small>}
              <Hidden>
                {each.isLeader && ', leader'}, {STATE_WORDS[state]}
                {each.left.length > 0 && `, ${counted(each.left.length, 'step')} left`}
              </Hidden>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
