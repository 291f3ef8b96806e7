import { useEffect, useRef } from 'react';
import type { Mix, Paint, Step, Unit } from '../../../core/scheme/model/definitions';
import { labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { counted } from '../../../ui/format';
import type { SaidOfMarks } from './markEffect';
import { paintedCount, paintedText, type PaintedOn } from './paintedOn';
import { potOf } from './PaintPicker';

interface HalfDoneProps {
  unit: Unit;
  step: Step;
  change: Partial<Step>;
  paints: Paint[];
  mixes: Mix[];
  painted: PaintedOn[];
  isMarked: (coat: number) => boolean;
  onChange: (part: Partial<Step>, said?: SaidOfMarks) => void;
  onDone: () => void;
}

const coatsFrom = (first: number, last: number): number[] =>
  Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);

/** A step is changed that some models carry already: what holds for those? */
export function HalfDone({ unit, step, change, paints, mixes, painted, isMarked, onChange, onDone }: HalfDoneProps) {
  const more = coatsFrom(step.coats + 1, change.coats ?? step.coats);
  const apply = (kind: SaidOfMarks['kind'], coats: number[]) => {
    onChange(change, coats.length > 0 ? { kind, coats } : undefined);
    onDone();
  };
  const question = useRef<HTMLDivElement>(null);
  // It is asked at the end of the editor: nobody who chose at its top would see it there.
  useEffect(() => {
    void question.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const paint = potOf(step, paints, mixes)?.name;
  return (
    <Notice kind="flag">
      <div ref={question} data-testid="half-done">
        <p>
          {counted(paintedCount(painted), 'model')} ({paintedText(painted, unit.id)}) painted already: {labelOf(step).toLowerCase()}
          {paint && ` with ${paint}`}.
        </p>
        <Button onClick={() => apply('kept', more)}>Keep those, change only the rest</Button>{' '}
        {more.length > 0 ? (
          <Button onClick={() => apply('reopened', more.filter(isMarked))}>Those get the extra coat too</Button>
        ) : (
          <Button onClick={() => apply('reopened', coatsFrom(1, step.coats))}>Paint those again</Button>
        )}{' '}
        <Button kind="quiet" onClick={onDone}>
          Keep the step as it was
        </Button>
      </div>
    </Notice>
  );
}
