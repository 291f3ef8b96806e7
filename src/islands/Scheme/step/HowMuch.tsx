import { CARES, type Care, type Step } from '../../../core/scheme/model/definitions';
import { factsOf, isByCare, isByPiece } from '../../../core/scheme/model/techniques';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import own from './step.module.css';

interface HowMuchProps {
  step: Step;
  /** The painter's own, by their names. */
  brushes: readonly string[];
  onChange: (change: Partial<Step>) => void;
  /** Of what asks first when models are painted already. */
  onWork: (change: Partial<Step>) => void;
}

const careOptions = [{ value: '', label: 'usual' }, ...CARES.map((value) => ({ value: value as string, label: value as string }))];

/** How much of it there is: coats and share, transfers by number, freehand and touch-ups by care; and with which brush. */
export function HowMuch({ step, brushes, onChange, onWork }: HowMuchProps) {
  const { technique, coats, coverage, pieces, care, brush } = step;
  const usual = step.own?.brush || factsOf(technique).hand;
  const names = [...new Set([...brushes, ...(brush ? [brush] : [])])];
  return (
    <>
      <div className={own.pair}>
        {isByPiece(technique) ? (
          <NumberField
            label="On each model"
            unit="transfers"
            whole
            min={1}
            max={50}
            value={pieces ?? 1}
            onChange={(next) => next && onWork({ pieces: next })}
          />
        ) : (
          <NumberField label="Coats" whole min={1} max={10} value={coats} onChange={(next) => next && onWork({ coats: next })} />
        )}
        {isByCare(technique) ? (
          <SelectField
            label="Care"
            value={care ?? ''}
            options={careOptions}
            onChange={(next) => onChange({ care: next === '' ? undefined : (next as Care) } as Partial<Step>)}
          />
        ) : (
          !isByPiece(technique) && (
            <NumberField
              label="Covers"
              unit="% of it"
              min={0.1}
              max={100}
              value={Math.round(coverage * 1000) / 10}
              onChange={(share) => share && onChange({ coverage: share / 100 })}
            />
          )
        )}
      </div>
      {names.length > 0 && usual !== 'none' && (
        <SelectField
          label="Brush"
          value={brush ?? ''}
          options={[{ value: '', label: `as usual: ${usual}` }, ...names.map((value) => ({ value, label: value }))]}
          onChange={(next) => onChange({ brush: next === '' ? undefined : next } as Partial<Step>)}
        />
      )}
    </>
  );
}
