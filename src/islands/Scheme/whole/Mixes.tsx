import { useState } from 'react';
import { ulid } from 'ulid';
import { THINNERS, type Mix, type MixShare, type Paint, type Scheme } from '../../../core/scheme/model/definitions';
import { circleOfMixes } from '../../../core/scheme/model/pots';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { X } from '../../../ui/icons';
import { addMix } from '../../../core/paint/mixEdits';
import type { Picture } from '../../../core/commission/pictures';
import { withoutLostEnds } from '../../../core/scheme/authoring/edits';
import { PaintPicker, potOf, type PotChoice } from '../step/PaintPicker';
import { MatchColour } from '../../shared/matching/MatchColour';
import { Neighbours } from '../mixing/Neighbours';
import { Ramp } from '../mixing/Ramp';
import { SeenDry } from '../mixing/SeenDry';
import styles from './Mixes.module.css';
import view from '../View.module.css';

interface MixesProps {
  unitId: string;
  scheme: Scheme;
  paints: Paint[];
  /** Reference pictures that a colour can be picked from. */
  pictures: Picture[];
  /** Stores what is typed first. */
  onBefore: () => Promise<boolean>;
  /** The strengths of paints were learned anew. */
  onLearned: () => void;
  onChange: (scheme: Scheme) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

/** The mixes of the scheme: what is in each, by parts. */
export function Mixes({ unitId, scheme, paints, pictures, onBefore, onLearned, onChange, onNewPaint }: MixesProps) {
  const { mixes } = scheme;
  const [name, setName] = useState('');
  const set = (id: string, change: Partial<Mix>) => {
    const next = mixes.map((mix) => (mix.id === id ? { ...mix, ...change } : mix));
    // A mix of itself can never be made.
    if (circleOfMixes(next) === null) onChange({ ...scheme, mixes: next });
  };
  const add = () => {
    const last = mixes.at(-1);
    const share: MixShare | null = last ? { mix: last.id, parts: 3 } : paints[0] ? { paint: paints[0].id, parts: 2 } : null;
    if (!share) return;
    onChange({ ...scheme, mixes: [...mixes, { id: ulid(), name: name.trim() || `Mix ${mixes.length + 1}`, of: [share], thin: null }] });
    setName('');
  };
  return (
    <details className={view.section} data-testid="mixes">
      <summary>Mixes: {mixes.length === 0 ? 'none' : mixes.map((mix) => mix.name).join(', ')}</summary>
      {mixes.map((mix) => (
        <MixEntry
          key={mix.id}
          unitId={unitId}
          mix={mix}
          scheme={scheme}
          paints={paints}
          onBefore={onBefore}
          onLearned={onLearned}
          onChange={(change) => set(mix.id, change)}
          onNewPaint={onNewPaint}
          onRemove={() => onChange(withoutLostEnds({ ...scheme, mixes: withoutMix(mixes, mix.id) }))}
        />
      ))}
      <div className={styles.newMix}>
        <TextField
          label="A new mix"
          placeholder="Sea, lifted"
          value={name}
          onChange={setName}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <Button onClick={add} disabled={paints.length === 0}>
          Add the mix
        </Button>
      </div>
      <div className={styles.finders}>
        <MatchColour
          paints={paints}
          pictures={pictures}
          onTake={(match, wanted) => match.parts.length > 1 && onChange(addMix(ulid, scheme, wanted, match.parts).scheme)}
        />
        <Ramp scheme={scheme} paints={paints} onChange={onChange} />
      </div>
    </details>
  );
}

/** Mixes that were made of it keep their other shares; those that had no other go too. */
function withoutMix(mixes: Mix[], id: string): Mix[] {
  const left = mixes
    .filter((mix) => mix.id !== id)
    .map((mix) => ({ ...mix, of: mix.of.filter((share) => !('mix' in share) || share.mix !== id) }));
  const empty = left.find((mix) => mix.of.length === 0);
  return empty ? withoutMix(left, empty.id) : left;
}

interface MixEntryProps extends Pick<MixesProps, 'unitId' | 'scheme' | 'paints' | 'onBefore' | 'onLearned' | 'onNewPaint'> {
  mix: Mix;
  onChange: (change: Partial<Mix>) => void;
  onRemove: () => void;
}

const shareOf = ({ paint, mix }: PotChoice, parts: number): MixShare | null => {
  if (mix !== null) return { mix, parts };
  return paint === null ? null : { paint, parts };
};

function MixEntry({ unitId, mix, scheme, paints, onBefore, onLearned, onChange, onNewPaint, onRemove }: MixEntryProps) {
  const { mixes } = scheme;
  const pot = potOf({ paint: null, mix: mix.id }, paints, mixes);
  const earlier = mixes.slice(0, mixes.indexOf(mix));
  const set = (index: number, share: MixShare | null) =>
    share && onChange({ of: mix.of.map((each, place) => (place === index ? share : each)) });
  return (
    <div className={styles.mix} data-mix={mix.name}>
      <Swatch hex={pot?.hex ?? null} kind={pot?.kind ?? null} />
      <TextField label={`Name of the mix ${mix.name}`} hideLabel value={mix.name} onChange={(name) => name.trim() && onChange({ name })} />
      <Button kind="quiet" aria-label={`Remove the mix ${mix.name}`} onClick={onRemove}>
        <X aria-hidden="true" size={16} />
      </Button>
      {mix.of.map((share, index) => (
        <div key={index} className={styles.share}>
          <NumberField
            label={`Parts, ${index + 1}`}
            min={0.1}
            max={100}
            value={share.parts}
            onChange={(parts) => parts && set(index, { ...share, parts })}
          />
          <PaintPicker
            label="of"
            value={'mix' in share ? { paint: null, mix: share.mix } : { paint: share.paint, mix: null }}
            paints={paints}
            mixes={earlier}
            onChange={(choice) => set(index, shareOf(choice, share.parts))}
            onNewPaint={onNewPaint}
          />
          {mix.of.length > 1 && (
            <Button
              kind="quiet"
              aria-label={`Leave share ${index + 1} out`}
              onClick={() => onChange({ of: mix.of.filter((_each, place) => place !== index) })}
            >
              <X aria-hidden="true" size={16} />
            </Button>
          )}
        </div>
      ))}
      <div className={styles.share}>
        {paints[0] && <Button onClick={() => onChange({ of: [...mix.of, { paint: paints[0]!.id, parts: 1 }] })}>Add paint</Button>}
        <SelectField
          label="Thinned with"
          value={mix.thin?.with ?? ''}
          options={[{ value: '', label: 'nothing' }, ...THINNERS.map((value) => ({ value, label: value }))]}
          onChange={(value) =>
            onChange({ thin: value === '' ? null : { with: value as (typeof THINNERS)[number], parts: mix.thin?.parts ?? 1 } })
          }
        />
        {mix.thin && (
          <NumberField
            label="Parts of it"
            min={0.1}
            max={100}
            value={mix.thin.parts}
            onChange={(parts) => parts && onChange({ thin: { ...mix.thin!, parts } })}
          />
        )}
      </div>
      <Neighbours mix={mix} scheme={scheme} paints={paints} />
      {pot && mix.of.length > 1 && (
        <div className={styles.whole}>
          <SeenDry unitId={unitId} mix={mix} predicted={pot.hex} onBefore={onBefore} onLearned={onLearned} />
        </div>
      )}
    </div>
  );
}
