import { useState } from 'react';
import { ulid } from 'ulid';
import { type Mix, type Paint } from '../../../core/scheme/model/definitions';
import { PAINT_KINDS, type PaintKind } from '../../../core/scheme/model/paintKinds';
import { potsOf, type Pot } from '../../../core/scheme/model/pots';
import { usualKind, type Technique } from '../../../core/scheme/model/techniques';
import { commonPaints } from '../../../core/scheme/authoring/starters';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { mixer } from '../../client/mixer';
import { FindPaint } from './FindPaint';
import { firstColour } from './firstColour';
import { Swatch } from '../../../ui/Swatch/Swatch';
import styles from './step.module.css';

/** What is on the brush: a paint of the shelf, a mix of the scheme, or neither. */
export interface PotChoice {
  paint: string | null;
  mix: string | null;
}

interface PaintPickerProps {
  label: string;
  value: PotChoice;
  paints: Paint[];
  /** Mixes of the scheme; left out where only a paint can be chosen. */
  mixes?: Mix[];
  /** What it is wanted for: a new paint is likely of its kind; left out where nobody knows. */
  technique?: Technique;
  onChange: (choice: PotChoice) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
  /** Told while a new paint is being written, so that nothing is taken before it is on the shelf. */
  onAdding?: (adding: boolean) => void;
}

const NONE = '';
const NEW = 'new';
const MIX = 'mix ';
const common = commonPaints(() => '');
const kindOptions = PAINT_KINDS.map((value) => ({ value, label: value }));

/** A paint from the shelf, or a new one put on it right here; or a mix. */
export function PaintPicker({
  label,
  value,
  paints,
  mixes = [],
  technique = 'basecoat',
  onChange,
  onNewPaint,
  onAdding,
}: PaintPickerProps) {
  const [adding, setAddingHere] = useState(false);
  const setAdding = (now: boolean) => {
    setAddingHere(now);
    onAdding?.(now);
  };
  const paint = potOf(value, paints, mixes);
  const options = [
    { value: NONE, label: 'no paint yet' },
    ...paints.map((each) => ({ value: each.id, label: each.kind === 'opaque' ? each.name : `${each.name} (${each.kind})` })),
    ...mixes.map((mix) => ({ value: `${MIX}${mix.id}`, label: `${mix.name} (mix)` })),
    { value: NEW, label: 'a new paint …' },
  ];
  const add = async (name: string, hex: string, kind: PaintKind) => {
    const added: Paint = { id: ulid(), name, hex, kind, dryMinutes: null };
    await onNewPaint(added);
    onChange({ paint: added.id, mix: null });
    setAdding(false);
  };
  if (adding)
    return <NewPaint names={paints.map((each) => each.name)} usual={usualKind(technique)} onAdd={add} onCancel={() => setAdding(false)} />;
  return (
    <div className={styles.picker}>
      <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
      <SelectField
        label={label}
        value={value.mix === null ? (value.paint ?? NONE) : `${MIX}${value.mix}`}
        options={options}
        onChange={(id) => (id === NEW ? setAdding(true) : onChange(choiceOf(id)))}
      />
      <FindPaint label={label} options={options.filter(({ value: id }) => id !== NEW)} onFound={(id) => onChange(choiceOf(id))} />
    </div>
  );
}

const choiceOf = (id: string): PotChoice =>
  id.startsWith(MIX) ? { paint: null, mix: id.slice(MIX.length) } : { paint: id === NONE ? null : id, mix: null };

/** The paint or mix of a choice, as something that has a colour and a name. */
export function potOf({ paint, mix }: PotChoice, paints: Paint[], mixes: Mix[]): Pot | null {
  const shelf = new Map(paints.map((each) => [each.id, each]));
  return (mix === null ? shelf.get(paint ?? '') : potsOf({ mixes }, shelf, mixer).get(mix)) ?? null;
}

interface NewPaintProps {
  names: string[];
  usual: PaintKind;
  onAdd: (name: string, hex: string, kind: PaintKind) => Promise<void>;
  onCancel: () => void;
}

function NewPaint({ names, usual, onAdd, onCancel }: NewPaintProps) {
  const [name, setName] = useState('');
  const [hex, setHex] = useState(() => firstColour(names.length));
  const [kind, setKind] = useState<PaintKind>(usual);
  const [error, setError] = useState<string | null>(null);
  const add = () => {
    if (name.trim() === '') return setError('The paint has no name: give it the one on its label.');
    if (names.some((other) => other.toLowerCase() === name.trim().toLowerCase()))
      return setError(`"${name}" is on the shelf already: choose it from the list.`);
    onAdd(name.trim(), hex, kind).catch((problem: Error) => setError(problem.message));
  };
  return (
    <div className={styles.newPaint} onKeyDown={(event) => event.key === 'Enter' && (event.preventDefault(), add())}>
      <SelectField
        label="Start from a common colour"
        value=""
        options={[
          { value: '', label: 'none' },
          ...common
            .filter((each) => !names.some((other) => other.toLowerCase() === each.name.toLowerCase()))
            .map((each) => ({ value: each.name, label: each.name })),
        ]}
        onChange={(chosen) => {
          const found = common.find((each) => each.name === chosen);
          if (!found) return;
          setName(found.name);
          setHex(found.hex);
          setKind(found.kind);
        }}
      />
      <TextField label="Name of the new paint" value={name} onChange={setName} error={error} autoFocus />
      <TextField label="Colour" type="color" value={hex} onChange={setHex} />
      <SelectField label="Kind" value={kind} options={kindOptions} onChange={setKind} />
      <span className={styles.newPaintTools}>
        <Button onClick={add}>Add paint</Button>
        <Button kind="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </span>
    </div>
  );
}
