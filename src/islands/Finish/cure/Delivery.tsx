import { WEEKDAYS } from '../../../core/scheme/model/houseRules';
import { TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';

const MOST_DAYS = 90;

/** How the parcel goes: the day it must go follows, and with it every date of the commission. */
export function Delivery({ finish }: { finish: Finish }) {
  const { delivery, forDisplay } = finish.finishing;
  const change = (part: Partial<typeof delivery>) => finish.change({ delivery: { ...delivery, ...part } });
  const toggle = (weekday: number) =>
    change({
      carrierDays: delivery.carrierDays.includes(weekday)
        ? delivery.carrierDays.filter((day) => day !== weekday)
        : [...delivery.carrierDays, weekday].sort((a, b) => a - b),
    });
  return (
    <Panel title="The parcel">
      <div className={shared.fields}>
        <NumberField
          label="Days on its way"
          unit="days"
          min={0}
          max={MOST_DAYS}
          whole
          value={delivery.transitDays}
          onChange={(days) => days !== null && change({ transitDays: days })}
        />
        <TextField
          label="Carrier"
          placeholder="collected by the client"
          value={delivery.carrier}
          maxLength={200}
          onChange={(carrier) => change({ carrier })}
        />
      </div>
      <fieldset className={shared.row}>
        <legend>Parcels are taken on</legend>
        {WEEKDAYS.map((name, weekday) => (
          <label key={name} className={shared.row}>
            <input type="checkbox" checked={delivery.carrierDays.includes(weekday)} onChange={() => toggle(weekday)} />
            {name.slice(0, 3)}
          </label>
        ))}
      </fieldset>
      <p className={shared.hint}>{delivery.carrierDays.length === 0 ? 'None chosen: any day will do.' : ''}</p>
      <label className={shared.row}>
        <input type="checkbox" checked={forDisplay} onChange={(event) => finish.change({ forDisplay: event.target.checked })} />
        They stand in a cabinet and are not handled
      </label>
    </Panel>
  );
}
