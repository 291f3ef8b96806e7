import { minorPerMajor } from '../../core/money/currency';
import { NumberField } from '../../ui/Field/NumberField';

interface MoneyFieldProps {
  label: string;
  hideLabel?: boolean;
  currency: string;
  valueMinor: number | null;
  /** Called with minor units, and with null when emptied and `optional`. */
  onChange: (minor: number | null) => void;
  /** In whole units of the currency. */
  min?: number;
  max?: number;
  optional?: boolean;
  live?: boolean;
  placeholder?: string;
}

/** An amount typed in whole units of its currency, with decimals where it has them. */
export function MoneyField({ currency, valueMinor, onChange, min = 0, max = 10_000_000, ...rest }: MoneyFieldProps) {
  const perMajor = minorPerMajor(currency);
  return (
    <NumberField
      {...rest}
      unit={currency}
      min={min}
      max={max}
      value={valueMinor === null ? null : valueMinor / perMajor}
      onChange={(major) => onChange(major === null ? null : Math.round(major * perMajor))}
    />
  );
}
