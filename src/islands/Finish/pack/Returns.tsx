import { ulid } from 'ulid';
import { RETURN_KINDS, RETURN_LABELS, type Return, type ReturnKind } from '../../../core/finish/definitions';
import { modelsOf } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import { X } from '../../../ui/icons';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import styles from './pack.module.css';

const KINDS = RETURN_KINDS.map((value) => ({ value, label: RETURN_LABELS[value] }));
const MOST = 1_000_000;

/** What is no painted model and goes back: spares, bits that were left off, what the client lent. */
export function Returns({ finish }: { finish: Finish }) {
  const { finishing, units, change } = finish;
  const { returns } = finishing;
  const put = (id: string, part: Partial<Return>) =>
    change({ returns: returns.map((each) => (each.id === id ? { ...each, ...part } : each)) });
  const add = (kind: ReturnKind, what: string, count: number) =>
    change({ returns: [...returns, { id: ulid(), kind, what, count, packed: 0 }] });
  const known = new Set(returns.map(({ what }) => what));
  const offered = units.flatMap((unit) =>
    unit.bits
      .filter(({ leftOff }) => leftOff)
      .map(({ name }) => ({ what: `${name} (${unit.name})`, count: modelsOf(unit) }))
      .filter(({ what }) => !known.has(what)),
  );
  return (
    <Panel title="Goes back with them" aside={<Button onClick={() => add('spare', '', 1)}>Add</Button>}>
      {returns.length === 0 && offered.length === 0 && <p className={shared.hint}>Spare models, bits, and what the client lent.</p>}
      {offered.map(({ what, count }) => (
        <p key={what}>
          Left off at the build: {count} × {what}{' '}
          <Button kind="quiet" onClick={() => add('bits', what, count)}>
            Give them back
          </Button>
        </p>
      ))}
      <ul className={shared.list} data-testid="returns">
        {returns.map((each, at) => {
          const which = `thing ${at + 1}`;
          return (
            <li key={each.id} className={styles.return}>
              <SelectField
                label={`Kind, ${which}`}
                hideLabel
                value={each.kind}
                options={KINDS}
                onChange={(kind) => put(each.id, { kind })}
              />
              <TextField
                label={`What, ${which}`}
                hideLabel
                placeholder="What it is"
                value={each.what}
                maxLength={200}
                onChange={(what) => put(each.id, { what })}
              />
              <NumberField
                label={`How many, ${which}`}
                hideLabel
                min={0}
                max={MOST}
                whole
                value={each.count}
                onChange={(count) => count !== null && put(each.id, { count, packed: Math.min(each.packed, count) })}
              />
              <label className={shared.row}>
                <input
                  type="checkbox"
                  checked={each.packed >= each.count}
                  onChange={(event) => put(each.id, { packed: event.target.checked ? each.count : 0 })}
                />
                packed
              </label>
              <Button
                kind="quiet"
                aria-label={`Remove ${which}`}
                onClick={() => change({ returns: returns.filter(({ id }) => id !== each.id) })}
              >
                <X aria-hidden="true" size={16} />
              </Button>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
