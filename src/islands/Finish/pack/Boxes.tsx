import { ulid } from 'ulid';
import type { Box } from '../../../core/finish/definitions';
import { modelsIn } from '../../../core/finish/packing';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import { counted } from '../../../ui/format';
import { ArrowDown, ArrowUp, X } from '../../../ui/icons';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import styles from './pack.module.css';

const MOST_MODELS = 1000;

/** Boxes with their layers, from the bottom up. */
export function Boxes({ finish }: { finish: Finish }) {
  const { finishing, change } = finish;
  const { boxes } = finishing;
  const put = (box: Box) => change({ boxes: boxes.map((each) => (each.id === box.id ? box : each)) });
  return (
    <Panel
      title="Boxes and layers"
      aside={
        <Button onClick={() => change({ boxes: [...boxes, { id: ulid(), name: `Box ${boxes.length + 1}`, layers: [] }] })}>
          Add a box
        </Button>
      }
    >
      {boxes.length === 0 && <p className={shared.hint}>No box yet. Packing the first unit makes one.</p>}
      {boxes.map((box) => (
        <OneBox
          key={box.id}
          box={box}
          finish={finish}
          onChange={put}
          onRemove={() => change({ boxes: boxes.filter(({ id }) => id !== box.id) })}
        />
      ))}
    </Panel>
  );
}

interface OneBoxProps {
  box: Box;
  finish: Finish;
  onChange: (box: Box) => void;
  onRemove: () => void;
}

function OneBox({ box, finish, onChange, onRemove }: OneBoxProps) {
  const { units } = finish;
  const options = units.map(({ id, name }) => ({ value: id, label: name }));
  const layers = (next: Box['layers']) => onChange({ ...box, layers: next });
  const swap = (at: number, with_: number) => {
    const next = [...box.layers];
    [next[at], next[with_]] = [next[with_]!, next[at]!];
    layers(next);
  };
  return (
    <section className={styles.box} aria-label={box.name}>
      <div className={shared.row}>
        <TextField label="Name of the box" hideLabel value={box.name} maxLength={200} onChange={(name) => onChange({ ...box, name })} />
        <span className={shared.hint}>{counted(modelsIn(box), 'model')}</span>
        <Button
          kind="quiet"
          disabled={units.length === 0}
          onClick={() => layers([...box.layers, { id: ulid(), unitId: units[0]!.id, models: 0 }])}
        >
          Add a layer
        </Button>
        <Button kind="quiet" aria-label={`Remove ${box.name}`} onClick={onRemove}>
          <X aria-hidden="true" size={16} />
        </Button>
      </div>
      <ol className={styles.layers}>
        {box.layers.map((layer, at) => {
          const which = `layer ${at + 1} of ${box.name}`;
          return (
            <li key={layer.id} className={shared.row}>
              <SelectField
                label={`Unit, ${which}`}
                hideLabel
                value={layer.unitId}
                options={
                  options.some(({ value }) => value === layer.unitId)
                    ? options
                    : [...options, { value: layer.unitId, label: 'a unit that was taken out' }]
                }
                onChange={(unitId) => layers(box.layers.map((each) => (each === layer ? { ...layer, unitId } : each)))}
              />
              <NumberField
                label={`Models, ${which}`}
                hideLabel
                unit="models"
                min={0}
                max={MOST_MODELS}
                whole
                value={layer.models}
                onChange={(models) => models !== null && layers(box.layers.map((each) => (each === layer ? { ...layer, models } : each)))}
              />
              <Button kind="quiet" aria-label={`Lower, ${which}`} disabled={at === 0} onClick={() => swap(at, at - 1)}>
                <ArrowUp aria-hidden="true" size={16} />
              </Button>
              <Button kind="quiet" aria-label={`Higher, ${which}`} disabled={at === box.layers.length - 1} onClick={() => swap(at, at + 1)}>
                <ArrowDown aria-hidden="true" size={16} />
              </Button>
              <Button kind="quiet" aria-label={`Remove ${which}`} onClick={() => layers(box.layers.filter((each) => each !== layer))}>
                <X aria-hidden="true" size={16} />
              </Button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
