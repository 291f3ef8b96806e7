import { useState } from 'react';
import type { Mix, Paint, Step } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import { Button } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted, positionsText } from '../../ui/format';
import { potOf } from './PaintPicker';

interface HalfDoneProps {
  step: Step;
  change: Partial<Step>;
  paints: Paint[];
  mixes: Mix[];
  painted: number[];
  onChange: (part: Partial<Step>) => void;
  onEvents: (kind: 'kept' | 'reopened', coats: number[]) => Promise<unknown> | null;
  onDone: () => void;
}

const coatsFrom = (first: number, last: number): number[] =>
  Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);

/** A step is changed that some models carry already: what holds for those? */
export function HalfDone({ step, change, paints, mixes, painted, onChange, onEvents, onDone }: HalfDoneProps) {
  const [error, setError] = useState<string | null>(null);
  const more = coatsFrom(step.coats + 1, change.coats ?? step.coats);
  const apply = async (events: { kind: 'kept' | 'reopened'; coats: number[] } | null) => {
    try {
      if (events && events.coats.length > 0) await onEvents(events.kind, events.coats);
      onChange(change);
      onDone();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const paint = potOf(step, paints, mixes)?.name;
  return (
    <Notice kind="flag">
      <div data-testid="half-done">
        <p>
          {counted(painted.length, 'model')} ({positionsText(painted)}) painted already: {factsOf(step.technique).label.toLowerCase()}
          {paint && ` with ${paint}`}.
        </p>
        {error && <p role="alert">{error}</p>}
        <Button onClick={() => void apply({ kind: 'kept', coats: more })}>Keep those, change only the rest</Button>{' '}
        {more.length > 0 ? (
          <Button onClick={() => void apply(null)}>Those get the extra coat too</Button>
        ) : (
          <Button onClick={() => void apply({ kind: 'reopened', coats: coatsFrom(1, step.coats) })}>Paint those again</Button>
        )}{' '}
        <Button kind="quiet" onClick={onDone}>
          Keep the step as it was
        </Button>
      </div>
    </Notice>
  );
}
