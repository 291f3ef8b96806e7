import { ulid } from 'ulid';
import type { Finishing, Repair } from '../../../core/finish/definitions';
import { localDay } from '../../../core/kernel/localDay';
import type { FinishPicture } from '../../../contract/finish';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, exactMoneyText, minutesText } from '../../../ui/format';
import { X } from '../../../ui/icons';
import { programNow } from '../../client/clock';
import { MoneyField } from '../../shared/MoneyField';
import shared from '../View.module.css';
import styles from './handOver.module.css';

interface RepairsProps {
  picture: FinishPicture;
  finishing: Finishing;
  onChange: (repairs: Repair[]) => void;
}

const MOST_MODELS = 1000;
const MOST_MINUTES = 100_000;

/** What came back and was mended: jobs of their own, with hours and prices that are in no other sum. */
export function Repairs({ picture, finishing, onChange }: RepairsProps) {
  const { units, commission } = picture;
  const { repairs } = finishing;
  const put = (id: string, part: Partial<Repair>) => onChange(repairs.map((each) => (each.id === id ? { ...each, ...part } : each)));
  const add = () =>
    onChange([
      ...repairs,
      {
        id: ulid(),
        on: localDay(new Date(programNow())),
        unitId: units[0]!.id,
        models: 1,
        what: '',
        minutes: null,
        priceMinor: null,
        done: false,
      },
    ]);
  const minutes = repairs.reduce((sum, each) => sum + (each.minutes ?? 0), 0);
  const paid = repairs.reduce((sum, each) => sum + (each.priceMinor ?? 0), 0);
  return (
    <Panel title="Came back to be mended" aside={units.length > 0 && <Button onClick={add}>Add a repair</Button>}>
      {repairs.length === 0 && (
        <p className={shared.hint}>Nothing. A repair is a job of its own: it changes no hours or pay of the commission.</p>
      )}
      <ul className={shared.list} data-testid="repairs">
        {repairs.map((repair, at) => {
          const which = `repair ${at + 1}`;
          return (
            <li key={repair.id} className={styles.repair}>
              <TextField
                label={`Came on, ${which}`}
                hideLabel
                type="date"
                value={repair.on}
                onChange={(on) => on !== '' && put(repair.id, { on })}
              />
              <SelectField
                label={`Unit, ${which}`}
                hideLabel
                value={repair.unitId}
                options={units.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(unitId) => put(repair.id, { unitId })}
              />
              <NumberField
                label={`Models, ${which}`}
                hideLabel
                unit="models"
                min={1}
                max={MOST_MODELS}
                whole
                value={repair.models}
                onChange={(models) => models !== null && put(repair.id, { models })}
              />
              <TextField
                label={`What, ${which}`}
                hideLabel
                placeholder="What is to be mended"
                value={repair.what}
                maxLength={4000}
                onChange={(what) => put(repair.id, { what })}
              />
              <NumberField
                label={`Minutes, ${which}`}
                hideLabel
                unit="min"
                min={0}
                max={MOST_MINUTES}
                optional
                value={repair.minutes}
                onChange={(value) => put(repair.id, { minutes: value })}
              />
              <MoneyField
                label={`Price of ${which}; 0 is free`}
                currency={commission.currency}
                valueMinor={repair.priceMinor}
                optional
                onChange={(priceMinor) => put(repair.id, { priceMinor })}
              />
              <label className={shared.row}>
                <input type="checkbox" checked={repair.done} onChange={(event) => put(repair.id, { done: event.target.checked })} />
                mended and sent
              </label>
              <Button kind="quiet" aria-label={`Remove ${which}`} onClick={() => onChange(repairs.filter(({ id }) => id !== repair.id))}>
                <X aria-hidden="true" size={16} />
              </Button>
            </li>
          );
        })}
      </ul>
      {repairs.length > 0 && (
        <p data-testid="repair-sum">
          {counted(repairs.length, 'repair')}: {minutesText(minutes)}, {exactMoneyText(paid, commission.currency)}.
        </p>
      )}
    </Panel>
  );
}
