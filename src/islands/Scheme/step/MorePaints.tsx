import type { Mix, Paint, PaintFor, Scheme, Step } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { X } from '../../../ui/icons';
import { PaintPicker, type PotChoice } from './PaintPicker';
import { namedOf } from './whom';
import styles from './step.module.css';

interface MorePaintsProps {
  step: Step;
  scheme: Scheme;
  paints: Paint[];
  mixes: Mix[];
  onChange: (paintFor: PaintFor[]) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

const choiceOf = (other: PaintFor): PotChoice => ('mix' in other ? { paint: null, mix: other.mix } : { paint: other.paint, mix: null });

/** Other paints for the models of some options: the same step, another pot. */
export function MorePaints({ step, scheme, paints, mixes, onChange, onNewPaint }: MorePaintsProps) {
  const options = namedOf({ groups: [], variants: scheme.variants });
  const free = options.filter(({ id }) => !step.paintFor.some((other) => other.option === id));
  const set = (option: string, { paint, mix }: PotChoice) =>
    onChange(
      step.paintFor.flatMap((other): PaintFor[] => {
        if (other.option !== option) return [other];
        if (mix !== null) return [{ option, mix }];
        return paint === null ? [other] : [{ option, paint }];
      }),
    );
  const [first] = paints;
  return (
    <>
      {step.paintFor.map((other) => (
        <div key={other.option} className={styles.otherPaint}>
          <PaintPicker
            label={`Paint for ${options.find(({ id }) => id === other.option)?.name ?? other.option}`}
            value={choiceOf(other)}
            paints={paints}
            mixes={mixes}
            technique={step.technique}
            onChange={(choice) => set(other.option, choice)}
            onNewPaint={onNewPaint}
          />
          <Button
            kind="quiet"
            aria-label={`The same paint for ${options.find(({ id }) => id === other.option)?.name ?? other.option}`}
            onClick={() => onChange(step.paintFor.filter((each) => each !== other))}
          >
            <X aria-hidden="true" size={16} />
          </Button>
        </div>
      ))}
      {first &&
        free.map(({ id, name }) => (
          <Button
            key={id}
            kind="quiet"
            onClick={() =>
              onChange([...step.paintFor, { option: id, paint: (paints.find((paint) => paint.id !== step.paint) ?? first).id }])
            }
          >
            Another paint for {name}
          </Button>
        ))}
    </>
  );
}
