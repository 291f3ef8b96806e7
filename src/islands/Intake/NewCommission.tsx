import { useState, type FormEvent } from 'react';
import type { Standard } from '../../core/scheme/model/definitions';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { Notice } from '../../ui/Notice/Notice';
import { send } from '../client/api';
import { MoneyField } from '../shared/MoneyField';
import { standardOptions } from '../shared/options';
import styles from './NewCommission.module.css';

interface NewCommissionProps {
  hourlyRateMinor: number;
  currency: string;
}

/** The few things a commission starts with; everything else is edited in place at Intake. */
export function NewCommission({ hourlyRateMinor, currency }: NewCommissionProps) {
  const [name, setName] = useState('');
  const [client, setClient] = useState('');
  const [dueOn, setDueOn] = useState('');
  const [standard, setStandard] = useState<Standard>('table');
  const [rate, setRate] = useState(hourlyRateMinor);
  const [agreed, setAgreed] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);

  const create = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const body = { name, client, dueOn, standard, hourlyRateMinor: rate, currency, note: '', agreedPriceMinor: agreed };
      const { id } = await send<{ id: string }>('POST', '/api/commissions', body);
      window.location.assign(`/c/${id}/intake`);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };

  return (
    <form className={styles.form} onSubmit={(event) => void create(event)}>
      <TextField label="Name" value={name} onChange={setName} required autoFocus maxLength={200} />
      <TextField label="Client" value={client} onChange={setClient} required maxLength={200} />
      <div className={styles.pair}>
        <TextField label="Due on" type="date" value={dueOn} onChange={setDueOn} required />
        <MoneyField live label="Hourly rate" currency={currency} valueMinor={rate} onChange={(minor) => setRate(minor ?? 0)} max={10000} />
      </div>
      <div className={styles.pair}>
        <SelectField label="Painting standard" value={standard} options={standardOptions} onChange={setStandard} />
        <MoneyField
          live
          optional
          label="Agreed price"
          currency={currency}
          valueMinor={agreed}
          placeholder="none yet"
          onChange={setAgreed}
        />
      </div>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <Button kind="main" type="submit">
        Enter its units
      </Button>
    </form>
  );
}
