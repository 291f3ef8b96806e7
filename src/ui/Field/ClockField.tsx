import { useState } from 'react';
import { TextField } from './Field';

interface ClockFieldProps {
  label: string;
  hideLabel?: boolean;
  value: string;
  onChange: (value: string) => void;
}

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$|^24:00$/;

/** A time of day, 00:00 to 24:00, whatever the browser's own habit of writing it. */
export function ClockField({ value, onChange, ...rest }: ClockFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const error = draft === null || CLOCK.test(draft) ? null : `"${draft}" is no time of day: give one as 19:30.`;
  const take = (text: string) => {
    setDraft(text);
    if (CLOCK.test(text)) onChange(text);
  };
  return (
    <TextField
      {...rest}
      inputMode="numeric"
      maxLength={5}
      value={draft ?? value}
      error={error}
      onChange={take}
      onBlur={() => error === null && setDraft(null)}
    />
  );
}
