import { useRef, useState } from 'react';
import { readNumber } from '../../../core/formats/readNumber';
import type { Size } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { sizeOptions } from '../../shared/options';
import styles from './units.module.css';

interface NewUnitRowProps {
  names: string[];
  onAdd: (name: string, promised: number, size: Size) => void;
  /** Rows copied from a spreadsheet, pasted where the name is typed. */
  onRows: (rows: string) => void;
}

/** The last row: a unit is added with Enter from any of its fields. */
export function NewUnitRow({ names, onAdd, onRows }: NewUnitRowProps) {
  const row = useRef<HTMLTableRowElement>(null);
  const [name, setName] = useState('');
  const [promised, setPromised] = useState('');
  const [size, setSize] = useState<Size>('foot');
  const [error, setError] = useState<string | null>(null);

  const add = () => {
    const models = readNumber(promised) ?? NaN;
    const problem = problemOf(name, promised, names);
    setError(problem);
    if (problem !== null) return;
    onAdd(name.trim(), models, size);
    setName('');
    setPromised('');
    row.current?.querySelector('input')?.focus();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    add();
  };

  return (
    <tr ref={row} onKeyDown={onKeyDown} className={styles.newUnit}>
      <td className={styles.name}>
        <TextField
          label="Name of a new unit"
          hideLabel
          placeholder={names.length === 0 ? 'The first unit' : 'Another unit'}
          value={name}
          onChange={setName}
          error={error}
          // With no unit there is nothing else to do here.
          autoFocus={names.length === 0}
          onPaste={(event) => {
            const text = event.clipboardData.getData('text/plain').trim();
            if (!/[\t\n]/.test(text)) return;
            event.preventDefault();
            onRows(text);
          }}
        />
      </td>
      <td>
        <SelectField label="Size of the new unit" hideLabel value={size} options={sizeOptions} onChange={setSize} />
      </td>
      <td className={styles.figure}>
        <TextField
          label="Models promised in the new unit"
          hideLabel
          inputMode="numeric"
          placeholder="0"
          value={promised}
          onChange={setPromised}
        />
      </td>
      <td colSpan={6}>
        <Button onClick={add}>Add the unit</Button>
      </td>
    </tr>
  );
}

const MOST = 1000;

function problemOf(name: string, promised: string, names: string[]): string | null {
  if (name.trim() === '') return 'The unit has no name: give it one.';
  if (names.some((other) => other.trim().toLowerCase() === name.trim().toLowerCase()))
    return `"${name}" is here already: give it a name of its own.`;
  const models = readNumber(promised) ?? NaN;
  if (!Number.isInteger(models) || models < 1 || models > MOST)
    return `"${promised}" models cannot be: give a whole number from 1 to ${MOST}.`;
  return null;
}
