import { useState } from 'react';
import { ulid } from 'ulid';
import { newTechnique } from '../../core/scheme/authoring/ownTechnique';
import { MOMENTS, type Moment } from '../../core/scheme/model/moments';
import { factsOf, TECHNIQUES, type OwnTechnique, type Technique } from '../../core/scheme/model/techniques';
import { normMinutes } from '../../core/time/fit/norms';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import { minutesText } from '../../ui/format';
import styles from './View.module.css';

const likeOptions = TECHNIQUES.map((value) => ({ value, label: factsOf(value).label }));
const momentOptions = [
  { value: '', label: 'when that one is' },
  ...MOMENTS.map((value) => ({ value: value as string, label: value as string })),
];
/** What minutes are told of: a medium part of a foot figure. */
const SHOWN = { size: 'foot', coverage: 0.1 } as const;

interface OwnTechniquesProps {
  techniques: OwnTechnique[];
  onChange: (techniques: OwnTechnique[]) => void;
}

/** Techniques that the program does not ship: each is like one that it does, but for what is said here. */
export function OwnTechniques({ techniques, onChange }: OwnTechniquesProps) {
  const [name, setName] = useState('');
  const [like, setLike] = useState<Technique>('glaze');
  const set = (id: string, part: Partial<OwnTechnique>) =>
    onChange(techniques.map((each) => (each.id === id ? { ...each, ...part } : each)));
  const add = (event: React.FormEvent) => {
    event.preventDefault();
    if (name.trim() === '') return;
    onChange([...techniques, newTechnique(ulid(), name.trim(), like)]);
    setName('');
  };
  return (
    <Panel {...settingPanel('techniques')} className={styles.below}>
      <p className={styles.learned}>
        Each is like a technique that is here already: the same rules put it in its place, and your log corrects its minutes. What you
        change here holds at once for all open work.
      </p>
      {techniques.map((each) => (
        <fieldset key={each.id} className={styles.technique} data-technique={each.name}>
          <legend>{each.name}</legend>
          <TextField label="Name" value={each.name} onChange={(next) => set(each.id, { name: next })} />
          <SelectField label="Like" value={each.like} options={likeOptions} onChange={(next) => set(each.id, { like: next })} />
          <SelectField
            label="When"
            value={each.moment ?? ''}
            options={momentOptions}
            onChange={(moment) => set(each.id, { moment: moment === '' ? null : (moment as Moment) })}
          />
          <NumberField
            label="Takes longer by"
            unit="×"
            min={0.1}
            max={10}
            value={each.effort}
            onChange={(effort) => effort !== null && set(each.id, { effort })}
          />
          <NumberField
            label="Dries in"
            unit="min"
            optional
            min={0}
            max={10_000}
            placeholder={String(factsOf(each.like).dryMinutes)}
            value={each.dryMinutes}
            onChange={(dryMinutes) => set(each.id, { dryMinutes })}
          />
          {factsOf(each.like).usesPaint && (
            <NumberField
              label="Takes more paint by"
              unit="×"
              min={0}
              max={10}
              value={each.film}
              onChange={(film) => film !== null && set(each.id, { film })}
            />
          )}
          <TextField
            label="In the hand"
            placeholder={factsOf(each.like).hand}
            value={each.brush}
            onChange={(brush) => set(each.id, { brush })}
          />
          <TextField label="Caution" value={each.caution} onChange={(caution) => set(each.id, { caution })} />
          <p className={styles.learned}>
            {minutesText(normMinutes(each.like, SHOWN.size, SHOWN.coverage) * each.effort)} on a tenth of a foot figure, before your log
            says better. <CautionOfLike like={each.like} />
          </p>
          <Button kind="quiet" onClick={() => onChange(techniques.filter(({ id }) => id !== each.id))}>
            Remove {each.name}
          </Button>
        </fieldset>
      ))}
      <form className={styles.technique} onSubmit={add}>
        <TextField label="New technique" placeholder="Dust smear" value={name} onChange={setName} />
        <SelectField label="Like which" value={like} options={likeOptions} onChange={setLike} />
        <Button type="submit" disabled={name.trim() === ''}>
          Add technique
        </Button>
      </form>
    </Panel>
  );
}

const CautionOfLike = ({ like }: { like: Technique }) => {
  const { caution } = factsOf(like);
  return caution && <>Its usual caution is shown too: {caution}</>;
};
