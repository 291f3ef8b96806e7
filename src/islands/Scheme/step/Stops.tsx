import { ulid } from 'ulid';
import { includesStandard, type Scheme, type Standard, type Step, type Stop } from '../../../core/scheme/model/definitions';
import { labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { cx } from '../../../ui/cx';
import { minutesText } from '../../../ui/format';
import { X } from '../../../ui/icons';
import type { StopLine } from '../../../core/commission/stepCosts';
import own from './step.module.css';
import styles from '../View.module.css';

interface StopsProps {
  lines: StopLine[];
  standard: Standard;
  /** What may be left out when time is short. */
  optionalMinutes: number;
}

/** How long the unit takes up to each standard and each stop set by hand; what the client pays for is the solid one. */
export function StopLines({ lines, standard, optionalMinutes }: StopsProps) {
  const usable = lines.find((line) => line.usable);
  return (
    <dl className={own.stopLines} aria-label="Stop lines">
      {lines.map((line) => (
        <div
          key={line.id}
          className={cx(
            line.standard === standard && own.paidFor,
            line.standard && !includesStandard(standard, line.standard) && styles.beyond,
          )}
        >
          <dt>
            {line.standard === standard ? `${line.name}, paid for` : line.name}
            {line === usable && ', usable from here'}
          </dt>
          <dd>{minutesText(line.minutes)}</dd>
        </div>
      ))}
      {optionalMinutes > 0 && (
        <div>
          <dt>of it optional</dt>
          <dd data-testid="optional">{minutesText(optionalMinutes)}</dd>
        </div>
      )}
    </dl>
  );
}

interface StopFieldsProps {
  scheme: Scheme;
  step: Step;
  onChange: (stops: Stop[]) => void;
}

/** The stops set by hand, and whether the step in hand belongs to them. */
export function StopFields({ scheme, step, onChange }: StopFieldsProps) {
  const { stops } = scheme;
  const change = (id: string, part: Partial<Stop>) => onChange(stops.map((stop) => (stop.id === id ? { ...stop, ...part } : stop)));
  const toggle = (stop: Stop) =>
    change(stop.id, { steps: stop.steps.includes(step.id) ? stop.steps.filter((id) => id !== step.id) : [...stop.steps, step.id] });
  const add = () => onChange([...stops, { id: ulid(), name: `after ${labelOf(step).toLowerCase()}`, steps: [step.id], usable: false }]);
  return (
    <div className={own.stops}>
      {stops.map((stop) => (
        <div key={stop.id}>
          <TextField
            label="Name of the stop"
            value={stop.name}
            maxLength={200}
            onChange={(name) => name !== '' && change(stop.id, { name })}
          />
          <label className={styles.check}>
            <input type="checkbox" checked={stop.steps.includes(step.id)} onChange={() => toggle(stop)} /> this step is done by then
          </label>
          <label className={styles.check}>
            <input type="checkbox" checked={stop.usable} onChange={(event) => change(stop.id, { usable: event.target.checked })} /> usable
            from there
          </label>
          <Button
            kind="quiet"
            aria-label={`Remove the stop ${stop.name}`}
            onClick={() => onChange(stops.filter(({ id }) => id !== stop.id))}
          >
            <X aria-hidden="true" size={16} />
          </Button>
        </div>
      ))}
      <Button onClick={add}>Set a stop after this step</Button>
    </div>
  );
}
