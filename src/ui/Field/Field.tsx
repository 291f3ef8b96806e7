import { useId, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react';
import { cx } from '../cx';
import hidden from '../Hidden/Hidden.module.css';
import styles from './Field.module.css';

interface Labelled {
  label: string;
  /** The label is read out but not drawn, for fields under a column heading. */
  hideLabel?: boolean | undefined;
  error?: string | null | undefined;
  unit?: string | undefined;
}

function Frame({ id, label, hideLabel, error, unit, children }: Labelled & { id: string; children: ReactNode }) {
  return (
    <div className={styles.field}>
      <label htmlFor={id} className={hideLabel ? hidden.hidden : styles.label}>
        {label}
      </label>
      <span className={styles.control}>
        {children}
        {unit && <span className={styles.unit}>{unit}</span>}
      </span>
      {error && (
        <span id={`${id}-error`} className={styles.error} role="alert">
          {error}
        </span>
      )}
    </div>
  );
}

type TextFieldProps = Labelled &
  Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'value'> & { value: string; onChange: (value: string) => void };

export function TextField({ label, hideLabel, error, unit, value, onChange, className, ...rest }: TextFieldProps) {
  const id = useId();
  return (
    <Frame id={id} {...{ label, hideLabel, error, unit }}>
      <input
        id={id}
        className={cx(styles.input, className)}
        value={value}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => onChange(event.target.value)}
        {...rest}
      />
    </Frame>
  );
}

type SelectFieldProps<T extends string> = Labelled &
  Omit<SelectHTMLAttributes<HTMLSelectElement>, 'onChange' | 'value'> & {
    value: T;
    options: readonly { value: T; label: string }[];
    onChange: (value: T) => void;
  };

export function SelectField<T extends string>({
  label,
  hideLabel,
  error,
  unit,
  value,
  options,
  onChange,
  className,
  ...rest
}: SelectFieldProps<T>) {
  const id = useId();
  return (
    <Frame id={id} {...{ label, hideLabel, error, unit }}>
      <select
        id={id}
        className={cx(styles.input, className)}
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
        {...rest}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </Frame>
  );
}
