import { useState } from 'react';
import type { Part, Scheme } from '../../../core/scheme/model/definitions';
import { SHARE_NAMES, shareName, SHARES, type ShareName } from '../../../core/scheme/model/shares';
import { shareText } from './shareText';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Button } from '../../../ui/Button/Button';
import { send } from '../../client/api';
import { PictureStrip } from '../../shared/PictureStrip';
import type { Pictures } from '../../client/usePictures';
import own from './step.module.css';
import styles from '../View.module.css';

interface PartEditorProps {
  part: Part;
  scheme: Scheme;
  unitId: string;
  pictures: Pictures;
  /** Stores what is changed and not stored yet. */
  onBefore: () => Promise<unknown>;
  onDuplicate: () => void;
  onChange: (change: Partial<Part>) => void;
}

const reachOptions = [
  { value: 'easy' as const, label: 'easy' },
  { value: 'hard' as const, label: 'hard: a quarter longer' },
];

const shareOptions = [
  ...SHARE_NAMES.map((name) => ({ value: name as ShareName | 'other', label: `${name}, ${shareText(SHARES[name])}` })),
  { value: 'other' as const, label: 'by number' },
];

/** What else can be said of a part: how large, how to reach, what it touches. */
export function PartEditor({ part, scheme, unitId, pictures, onBefore, onDuplicate, onChange }: PartEditorProps) {
  const others = scheme.parts.filter((each) => each.id !== part.id);
  const place = scheme.parts.indexOf(part);
  const isTouched = (other: Part) =>
    part.touches === null ? Math.abs(scheme.parts.indexOf(other) - place) === 1 : part.touches.includes(other.id);
  const toggle = (other: Part) => {
    const now = others.filter(isTouched).map(({ id }) => id);
    onChange({ touches: isTouched(other) ? now.filter((id) => id !== other.id) : [...now, other.id] });
  };
  return (
    <aside className={own.editor} aria-label="The part in hand">
      <div className={own.editorFields}>
        <p>
          <strong>{part.name}</strong>
        </p>
        <div className={own.pair}>
          <SelectField
            label="Size"
            value={shareName(part.surface) ?? 'other'}
            options={shareOptions}
            onChange={(name) => name !== 'other' && onChange({ surface: SHARES[name] })}
          />
          <NumberField
            label="Share of the model"
            unit="%"
            min={0}
            max={100}
            value={Math.round(part.surface * 1000) / 10}
            onChange={(share) => share !== null && onChange({ surface: share / 100 })}
          />
        </div>
        <div className={own.pair}>
          <SelectField label="To reach" value={part.reach} options={reachOptions} onChange={(reach) => onChange({ reach })} />
        </div>
        <label className={styles.check}>
          <input type="checkbox" checked={part.keepClear} onChange={(event) => onChange({ keepClear: event.target.checked })} /> The ground
          under it must stay clean
        </label>
        <label className={styles.check}>
          <input type="checkbox" checked={part.isBase} onChange={(event) => onChange({ isBase: event.target.checked })} /> It is the ground
          that the model stands on
        </label>
        {others.length > 0 && (
          <fieldset className={own.touches}>
            <legend>It touches</legend>
            {others.map((other) => (
              <label key={other.id} className={styles.check}>
                <input type="checkbox" checked={isTouched(other)} onChange={() => toggle(other)} /> {other.name}
              </label>
            ))}
          </fieldset>
        )}
        <p>
          <Button onClick={onDuplicate}>Duplicate part</Button>
        </p>
        <KeepRecipe unitId={unitId} part={part} onBefore={onBefore} />
        <PictureStrip pictures={pictures} place={{ unitId, partId: part.id, kind: 'reference' }} of={part.name} />
      </div>
    </aside>
  );
}

/** One part with its steps, for other units: a recipe for bases, say. */
function KeepRecipe({ unitId, part, onBefore }: Pick<PartEditorProps, 'unitId' | 'part' | 'onBefore'>) {
  const [said, setSaid] = useState<string | null>(null);
  const keep = async () => {
    await onBefore();
    await send('POST', '/api/library', { unitId, partId: part.id, name: part.name });
    setSaid(`${part.name} is in the library.`);
  };
  return (
    <p>
      <Button onClick={() => void keep().catch((problem: Error) => setSaid(problem.message))}>Keep as a recipe in the library</Button>{' '}
      {said && <span role="status">{said}</span>}
    </p>
  );
}
