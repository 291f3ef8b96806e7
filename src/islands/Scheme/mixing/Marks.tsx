import { useState } from 'react';
import { ulid } from 'ulid';
import { marksStanding, neighbourColours } from '../../../core/paint/schemeColours';
import { addMarks } from '../../../core/paint/mixEdits';
import { isTooFew, type TooFewMarks } from '../../../core/paint/marks';
import type { Paint, Part, Scheme, Step, Unit } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted, plain } from '../../../ui/format';
import { Broken } from '../../shared/Broken';
import { potOf } from '../step/PaintPicker';
import { useMarks, type MarksQuestion } from './useMarks';
import styles from './mixing.module.css';

const FREE = '';
/** The variant that says which squad has which. */
const VARIANT = 'Marks';

interface MarksProps {
  unit: Unit;
  step: Step;
  part: Part;
  paints: Paint[];
  onChange: (scheme: Scheme) => void;
}

/** Colours that tell squads apart across a table, for every eye, clear of what they lie on. */
export function Marks({ unit, step, part, paints, onChange }: MarksProps) {
  const { scheme } = unit;
  const squads = scheme.groups.filter(({ kind }) => kind === 'squad');
  const beside = neighbourColours(step, part, scheme, (dipped) => potOf(dipped, paints, scheme.mixes));
  const [isOpen, setOpen] = useState(false);
  if (squads.length < 2) return null;
  return (
    <details className={styles.marks} data-testid="marks" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        Marks of {counted(squads.length, 'squad')}
        <Standing step={step} scheme={scheme} paints={paints} beside={beside} />
      </summary>
      {isOpen && <Finder {...{ unit, step, paints, onChange, beside, squads }} />}
    </details>
  );
}

/** How well the marks that are there can be told apart now: neighbours may have changed since. */
function Standing({ step, scheme, paints, beside }: { step: Step; scheme: Scheme; paints: Paint[]; beside: string[] }) {
  const others = step.paintFor.flatMap((other) => {
    const pot = potOf('mix' in other ? { paint: null, mix: other.mix } : { paint: other.paint, mix: null }, paints, scheme.mixes);
    return pot ? [pot] : [];
  });
  const standing = marksStanding(
    others.map(({ hex }) => hex),
    beside,
  );
  if (!standing) return null;
  return (
    <>
      : {plain(standing.apart, 1)} apart{standing.clear !== null && `, ${plain(standing.clear, 1)} from what they lie on`}
    </>
  );
}

interface FinderProps extends Omit<MarksProps, 'part'> {
  beside: string[];
  squads: Scheme['groups'];
}

function Finder({ unit, step, paints, onChange, beside, squads }: FinderProps) {
  const [clear, setClear] = useState(12);
  const [pins, setPins] = useState<Record<string, string>>({});
  const opaque = paints.filter(({ kind }) => kind === 'opaque');
  const question: MarksQuestion = {
    groups: squads.map(({ id }) => id),
    from: opaque.map(({ id, hex }) => [id, hex]),
    beside,
    clear,
    pins,
  };
  const { value: found, error, again } = useMarks(JSON.stringify(question));
  const named = new Map(paints.map((paint) => [paint.id, paint]));
  return (
    <div className={styles.finder}>
      <NumberField
        label="At least this far from what they lie on"
        min={0}
        max={60}
        value={clear}
        onChange={(value) => value !== null && setClear(value)}
      />
      {error && <Broken error={error} again={again} />}
      {found && isTooFew(found) && <p role="status">{tooFewText(found, squads.length, named)}</p>}
      {squads.map((squad, index) => {
        const paint = found && !isTooFew(found) ? named.get(found.paints[index]!) : undefined;
        return (
          <div key={squad.id} className={styles.row}>
            <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
            <SelectField
              label={squad.name}
              value={pins[squad.id] ?? FREE}
              options={[
                { value: FREE, label: paint ? `${paint.name} (found)` : 'to be found' },
                ...opaque.map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={(id) => setPins(id === FREE ? withoutKey(pins, squad.id) : { ...pins, [squad.id]: id })}
            />
          </div>
        );
      })}
      {found && !isTooFew(found) && (
        <span className={styles.row}>
          <span role="status">
            {plain(found.smallest, 1)} apart at least, for colour-blind eyes too; {counted(found.candidates, 'paint')} to choose from
          </span>
          <Button
            kind="main"
            onClick={() =>
              onChange(
                addMarks(
                  ulid,
                  unit.scheme,
                  unit,
                  step.id,
                  VARIANT,
                  squads.map(({ id }, index) => ({ groupId: id, paint: found.paints[index]! })),
                ),
              )
            }
          >
            Use these marks
          </Button>
        </span>
      )}
    </div>
  );
}

const withoutKey = (pins: Record<string, string>, gone: string) =>
  Object.fromEntries(Object.entries(pins).filter(([squad]) => squad !== gone));

function tooFewText({ most, candidates, inTheWay }: TooFewMarks, wanted: number, named: ReadonlyMap<string, Paint>): string {
  const near = inTheWay.slice(0, 3).map(({ paint, difference }) => `${named.get(paint)?.name} (${plain(difference, 1)})`);
  return `${wanted} squads cannot be told apart here, ${most} can: only ${counted(candidates, 'paint')} ${candidates === 1 ? 'is' : 'are'} clear of what the marks lie on.${
    near.length > 0 ? ` Too near it: ${near.join(', ')}. Ask for less distance, or add paints.` : ' Add paints.'
  }`;
}
