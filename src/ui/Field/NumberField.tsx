import { useState, type InputHTMLAttributes } from 'react';
import { TextField } from './Field';

interface NumberFieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value' | 'min' | 'max'> {
  label: string;
  hideLabel?: boolean;
  unit?: string;
  value: number | null;
  /** Called with every number in range, and with null when emptied and `optional`. */
  onChange: (value: number | null) => void;
  min: number;
  max: number;
  whole?: boolean;
  optional?: boolean;
}

/** A number typed as text: what is typed stays until it is a number in range, and the field says what is wrong meanwhile. */
export function NumberField({ value, onChange, min, max, whole = false, optional = false, ...rest }: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? (value === null ? '' : String(value));
  const error = draft === null ? null : problemOf(draft, { min, max, whole, optional });
  const take = (text: string) => {
    setDraft(text);
    if (problemOf(text, { min, max, whole, optional }) === null) onChange(text.trim() === '' ? null : asNumber(text));
  };
  return (
    <TextField
      {...rest}
      inputMode={whole ? 'numeric' : 'decimal'}
      value={shown}
      error={error}
      onChange={take}
      onBlur={() => error === null && setDraft(null)}
    />
  );
}

const asNumber = (text: string) => Number(text.trim().replace(',', '.'));

function problemOf(
  text: string,
  { min, max, whole, optional }: { min: number; max: number; whole: boolean; optional: boolean },
): string | null {
  if (text.trim() === '') return optional ? null : `Nothing is entered: enter a number from ${min} to ${max}.`;
  const value = asNumber(text);
  if (Number.isNaN(value)) return `"${text}" is not a number: enter one from ${min} to ${max}.`;
  if (whole && !Number.isInteger(value)) return `"${text}" is not a whole number: enter one from ${min} to ${max}.`;
  if (value < min || value > max) return `${text} is out of range: enter a number from ${min} to ${max}.`;
  return null;
}
