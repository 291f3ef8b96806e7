import { useState } from 'react';
import { CLEANINGS, type Cleaning } from '../../../core/scheme/authoring/buildChoices';
import type { IntakeUnit } from '../../../contract/commission';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { Bits } from './Bits';
import styles from './units.module.css';

interface UnitMoreProps {
  unit: IntakeUnit;
  /** Price of a minute at the bench, minor units. */
  minorPerMinute: number;
  currency: string;
  onChange: (part: Partial<IntakeUnit>) => void;
}

const LABELS: Record<Cleaning, string> = {
  none: 'not cleaned here',
  'what is seen from above': 'what is seen from above',
  'seen from above, leaders all round': 'seen from above, leaders all round',
  'all round': 'all round',
  other: 'as the scheme says',
};

/** What else is decided before a unit is painted: cleaning, what is glued on later, what holds it, and fiddly bits. */
export function UnitMore({ unit, minorPerMinute, currency, onChange }: UnitMoreProps) {
  const [typed, setTyped] = useState(() => unit.gluedLater.join(', '));
  const options = [...CLEANINGS, ...(unit.cleaning === 'other' ? (['other'] as const) : [])];
  const takeLater = () =>
    onChange({
      gluedLater: typed
        .split(',')
        .map((each) => each.trim())
        .filter((each) => each !== ''),
    });
  return (
    <div className={styles.more}>
      <SelectField
        label={`Mould lines of ${unit.name} are cleaned`}
        value={unit.cleaning}
        options={options.map((value) => ({ value, label: LABELS[value] }))}
        onChange={(cleaning) => onChange({ cleaning })}
      />
      <TextField
        label={`Painted first, glued on later, on ${unit.name}`}
        placeholder="lantern, oar"
        value={typed}
        onChange={setTyped}
        onBlur={takeLater}
        onKeyDown={(event) => event.key === 'Enter' && takeLater()}
      />
      <TextField
        label={`${unit.name} is held by`}
        placeholder="corks, card strips of ten"
        value={unit.holder}
        maxLength={200}
        onChange={(holder) => onChange({ holder })}
      />
      <Bits unit={unit} minorPerMinute={minorPerMinute} currency={currency} onChange={(bits) => onChange({ bits })} />
    </div>
  );
}
