import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { adoptScheme } from '../../../core/scheme/authoring/adoptScheme';
import { modelsOf, SIZE_LABELS, type Paint, type Scheme, type Size, type Unit } from '../../../core/scheme/model/definitions';
import { allModels } from '../../../core/scheme/model/whoTakes';
import { paintsOfScheme } from '../../../core/scheme/model/pots';
import { colourSlots, repainted } from '../../../core/scheme/authoring/recolour';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted } from '../../../ui/format';
import styles from './Recolour.module.css';

/** A scheme that is used again. */
export interface SchemeSource {
  name: string;
  size: Size;
  models: number;
  scheme: Scheme;
  paints: readonly Paint[];
}

interface RecolourProps {
  source: SchemeSource;
  unit: Unit;
  shelf: Paint[];
  onTake: (scheme: Scheme, newPaints: Paint[]) => void;
  onCancel: () => void;
}

/** A scheme for another unit: every colour can be another one; shares stay, minutes and models follow the unit. */
export function Recolour({ source, unit, shelf, onTake, onCancel }: RecolourProps) {
  const adopted = useMemo(() => adoptScheme(source, shelf, allModels(unit), ulid), [source, shelf, unit]);
  const [other, setOther] = useState<ReadonlyMap<string, string>>(new Map());
  const paints = useMemo(() => [...shelf, ...adopted.newPaints], [shelf, adopted]);
  const slots = useMemo(() => colourSlots({ scheme: adopted.scheme, paints }), [adopted, paints]);
  const options = paints.map((paint) => ({
    value: paint.id,
    label: paint.kind === 'opaque' ? paint.name : `${paint.name} (${paint.kind})`,
  }));
  const take = () => {
    const scheme = repainted(adopted.scheme, (id) => other.get(id) ?? id);
    const used = paintsOfScheme(scheme);
    onTake(
      scheme,
      adopted.newPaints.filter((paint) => used.has(paint.id)),
    );
  };
  const changes = [
    source.size !== unit.size && `from ${SIZE_LABELS[source.size]} to ${SIZE_LABELS[unit.size]}: shares stay, minutes follow the size`,
    source.models !== modelsOf(unit) && `from ${counted(source.models, 'model')} to ${counted(modelsOf(unit), 'model')}`,
  ].filter((each) => each !== false);
  return (
    <div className={styles.recolour} role="group" aria-label={`Colours of ${source.name}`}>
      <h3>
        {source.name} for {unit.name}
      </h3>
      {changes.length > 0 && <p>It is taken {changes.join(', and ')}.</p>}
      <ul className={styles.slots}>
        {slots.map(({ paint, uses }) => {
          const now = paints.find((each) => each.id === (other.get(paint.id) ?? paint.id)) ?? paint;
          return (
            <li key={paint.id}>
              <Swatch hex={paint.hex} kind={paint.kind} />
              <span aria-hidden="true">→</span>
              <Swatch hex={now.hex} kind={now.kind} />
              <SelectField
                label={`Instead of ${paint.name}`}
                value={now.id}
                options={options}
                onChange={(id) => setOther(new Map([...other, [paint.id, id]]))}
              />
              <small>{uses.join(', ')}</small>
            </li>
          );
        })}
      </ul>
      <span className={styles.tools}>
        <Button kind="main" onClick={take}>
          Use it for {unit.name}
        </Button>
        <Button kind="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </span>
    </div>
  );
}
