import { useState } from 'react';
import { modelsOf, type Bit, type Unit } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { minutesText, moneyText } from '../../../ui/format';
import { X } from '../../../ui/icons';
import styles from './units.module.css';

interface BitsProps {
  unit: Pick<Unit, 'name' | 'promised' | 'owned' | 'counted' | 'bits'>;
  minorPerMinute: number;
  currency: string;
  onChange: (bits: Bit[]) => void;
}

/** Fiddly bits: the seconds of one times the models, while it can still be left off at the build. */
export function Bits({ unit, minorPerMinute, currency, onChange }: BitsProps) {
  const [name, setName] = useState('');
  const [seconds, setSeconds] = useState<number | null>(20);
  const models = modelsOf(unit);
  const cost = (each: number) => {
    const minutes = (each * models) / 60;
    return `${minutesText(minutes)}, ${moneyText(minutes * minorPerMinute, currency)} over ${models} models`;
  };
  const change = (place: number, part: Partial<Bit>) =>
    onChange(unit.bits.map((bit, index) => (index === place ? { ...bit, ...part } : bit)));
  const add = () => {
    if (name.trim() === '' || seconds === null) return;
    onChange([...unit.bits, { name: name.trim(), seconds, leftOff: false }]);
    setName('');
  };
  return (
    <fieldset className={styles.bits}>
      <legend>Fiddly bits of {unit.name}, before they are glued on</legend>
      {unit.bits.length > 0 && (
        <ul>
          {unit.bits.map((bit, place) => (
            <li key={`${place} ${bit.name}`}>
              <span>
                {bit.name}: {cost(bit.seconds)}
              </span>
              <label>
                <input type="checkbox" checked={bit.leftOff} onChange={(event) => change(place, { leftOff: event.target.checked })} /> left
                off
              </label>
              <Button
                kind="quiet"
                aria-label={`Remove ${bit.name} from ${unit.name}`}
                onClick={() => onChange(unit.bits.filter((_each, index) => index !== place))}
              >
                <X aria-hidden="true" size={16} />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className={styles.newBit} onKeyDown={(event) => event.key === 'Enter' && (event.preventDefault(), add())}>
        <TextField label={`A bit of ${unit.name}`} placeholder="Belt pouch" value={name} onChange={setName} />
        <NumberField live label={`Seconds for one, ${unit.name}`} unit="s" min={1} max={3600} value={seconds} onChange={setSeconds} />
        <p data-testid="bit-cost">{seconds !== null && cost(seconds)}</p>
        <Button onClick={add}>Write it down</Button>
      </div>
    </fieldset>
  );
}
