import { useEffect, useRef, useState, type InputHTMLAttributes, type KeyboardEvent } from 'react';
import { TextField } from './Field';

interface NumberFieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value' | 'min' | 'max'> {
  label: string;
  hideLabel?: boolean;
  unit?: string;
  value: number | null;
  /** Called with a number in range once it is finished, and with null when emptied and `optional`. */
  onChange: (value: number | null) => void;
  min: number;
  max: number;
  whole?: boolean;
  optional?: boolean;
  /** Called with every number in range while it is typed: where a button takes the whole form. */
  live?: boolean;
}

/**
 * A number typed as text. It is taken when it is finished, by Enter or by leaving the field or the page: what is typed on the way to
 * 18 is no 1. What is no number in range stays, and the field says what is wrong with it.
 */
export function NumberField({
  value,
  onChange,
  onKeyDown,
  min,
  max,
  whole = false,
  optional = false,
  live = false,
  ...rest
}: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? (value === null ? '' : String(value));
  const error = draft === null ? null : problemOf(draft, { min, max, whole, optional });
  /** Enter takes it, and going on to the next field leaves this one before it is drawn anew. */
  const taken = useRef<string | null>(null);
  const take = () => {
    if (draft === null || error !== null || taken.current === draft) return;
    taken.current = draft;
    setDraft(null);
    const typed = draft.trim() === '' ? null : asNumber(draft);
    if (typed !== value) onChange(typed);
  };
  const type = (text: string) => {
    taken.current = null;
    setDraft(text);
    if (live && problemOf(text, { min, max, whole, optional }) === null) onChange(text.trim() === '' ? null : asNumber(text));
  };
  const isTyped = draft !== null;
  const takeNow = useRef(take);
  useEffect(() => {
    takeNow.current = take;
  });
  useEffect(() => {
    if (!isTyped) return;
    const onLeave = () => takeNow.current();
    // Before whoever asks whether something is still to be stored.
    window.addEventListener('beforeunload', onLeave, { capture: true });
    return () => window.removeEventListener('beforeunload', onLeave, { capture: true });
  }, [isTyped]);
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') take();
    onKeyDown?.(event);
  };
  return (
    <TextField
      {...rest}
      inputMode={whole ? 'numeric' : 'decimal'}
      value={shown}
      error={error}
      onChange={type}
      onBlur={take}
      onKeyDown={onKey}
    />
  );
}

/** Digits with a point or a comma: 0x10 is no number. */
const DECIMAL = /^[+-]?(\d+[.,]?\d*|[.,]\d+)$/;
const asNumber = (text: string) => (DECIMAL.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN);

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
