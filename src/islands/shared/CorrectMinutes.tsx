import { useState } from 'react';
import { Button } from '../../ui/Button/Button';
import { NumberField } from '../../ui/Field/NumberField';

const LEAST = 0.1;
const A_WEEK = 10_080;

interface CorrectMinutesProps {
  /** What the clock showed, or what was said before; null where nobody knows. */
  minutes: number | null;
  onSave: (minutes: number) => void;
  onCancel: () => void;
}

/** How long something took, as the painter knows it. */
export function CorrectMinutes({ minutes, onSave, onCancel }: CorrectMinutesProps) {
  const [typed, setTyped] = useState(minutes === null ? null : Math.max(LEAST, Math.round(minutes * 10) / 10));
  return (
    <>
      <NumberField live label="Minutes it took" hideLabel unit="min" value={typed} min={LEAST} max={A_WEEK} onChange={setTyped} />
      <Button kind="quiet" disabled={typed === null} onClick={() => typed !== null && onSave(typed)}>
        Save minutes
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </>
  );
}
