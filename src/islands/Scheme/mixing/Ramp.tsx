import { useMemo, useRef, useState } from 'react';
import { ulid } from 'ulid';
import { addRamp } from '../../../core/paint/mixEdits';
import { rampOf, type RampStep } from '../../../core/paint/ramp';
import { lightnessOf } from '../../../core/colour/difference';
import type { Paint, Scheme } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted } from '../../../ui/format';
import { mixer } from '../../client/mixer';
import styles from '../../shared/matching/matching.module.css';

interface RampProps {
  scheme: Scheme;
  paints: Paint[];
  onChange: (scheme: Scheme) => void;
}

const NONE = '';

/** Highlights from a paint to a lighter one, in drops, put into the scheme in one go. */
export function Ramp({ scheme, paints, onChange }: RampProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [isOpen, setOpen] = useState(false);
  const close = () => {
    setOpen(false);
    dialog.current?.close();
  };
  return (
    <>
      <Button
        disabled={paints.length < 2}
        onClick={() => {
          setOpen(true);
          dialog.current?.showModal();
        }}
      >
        Make a ramp of highlights
      </Button>
      <Dialog ref={dialog} title="A ramp of highlights" tools={<Button onClick={close}>Cancel</Button>}>
        {isOpen && (
          <RampFields
            scheme={scheme}
            paints={paints}
            onAdd={(next) => {
              onChange(next);
              close();
            }}
          />
        )}
      </Dialog>
    </>
  );
}

function RampFields({ scheme, paints, onAdd }: { scheme: Scheme; paints: Paint[]; onAdd: (scheme: Scheme) => void }) {
  const byLight = useMemo(
    () => paints.filter(({ kind }) => kind === 'opaque').toSorted((a, b) => lightnessOf(a) - lightnessOf(b)),
    [paints],
  );
  const options = byLight.map(({ id, name }) => ({ value: id, label: name }));
  const [partId, setPart] = useState(scheme.parts[0]?.id ?? NONE);
  const base = scheme.parts.find(({ id }) => id === partId)?.steps.find(({ paint }) => byLight.some(({ id }) => id === paint))?.paint;
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const [steps, setSteps] = useState(3);
  const [mostDrops, setMostDrops] = useState(6);
  const [reach, setReach] = useState(80);
  const [isChain, setChain] = useState(true);
  const dark = byLight.find(({ id }) => id === (from ?? base)) ?? byLight[0];
  const light = byLight.find(({ id }) => id === to) ?? byLight.at(-1);
  const ramp = useMemo(
    () => (dark && light && dark.id !== light.id ? rampOf(dark, light, { steps, mostDrops, reach: reach / 100 }, mixer) : []),
    [dark, light, steps, mostDrops, reach],
  );
  if (!dark || !light) return <p>Two opaque paints are needed: put them on the shelf first.</p>;
  return (
    <div className={styles.match} data-testid="ramp">
      <div className={styles.wanted}>
        <SelectField
          label="For part"
          value={partId}
          options={[
            ...scheme.parts.map(({ id, name }) => ({ value: id, label: name })),
            { value: NONE, label: 'no part: the mixes alone' },
          ]}
          onChange={setPart}
        />
        <SelectField label="From" value={dark.id} options={options} onChange={setFrom} />
        <SelectField label="Towards" value={light.id} options={options} onChange={setTo} />
        <NumberField label="Steps" whole min={1} max={8} value={steps} onChange={(value) => value && setSteps(value)} />
        <NumberField
          label="At most"
          unit="drops"
          whole
          min={2}
          max={16}
          value={mostDrops}
          onChange={(value) => value && setMostDrops(value)}
        />
        <NumberField label="Goes" unit="% of the way" min={5} max={100} value={reach} onChange={(value) => value && setReach(value)} />
        <SelectField
          label="Mixed"
          value={isChain ? 'chain' : 'fresh'}
          options={[
            { value: 'chain', label: 'from what is left of the last' },
            { value: 'fresh', label: 'fresh each time' },
          ]}
          onChange={(value) => setChain(value === 'chain')}
        />
      </div>
      {ramp.length === 0 && <p>Nothing lighter can be mixed: choose two paints, the second lighter.</p>}
      <ol className={styles.answers}>
        <li>
          <Swatch hex={dark.hex} kind={dark.kind} />
          <span>{dark.name}</span>
        </li>
        {ramp.map((step, index) => (
          <li key={index}>
            <Swatch hex={step.hex} />
            <span>{stepText(step, { dark, light, isChain: isChain && index > 0 })}</span>
          </li>
        ))}
      </ol>
      {ramp.length > 0 && (
        <Button
          kind="main"
          onClick={() => onAdd(addRamp(ulid, scheme, { dark, light, steps: ramp, isChain, partId: partId === NONE ? null : partId }))}
        >
          Add {counted(ramp.length, 'step')}
        </Button>
      )}
    </div>
  );
}

function stepText({ dark, light, more }: RampStep, of: { dark: Paint; light: Paint; isChain: boolean }): string {
  if (dark === 0) return of.light.name;
  const fresh = `${counted(dark, 'drop')} ${of.dark.name}, ${light} ${of.light.name}`;
  return of.isChain && more !== null ? `${fresh}; or to one batch of the last, ${more} ${of.light.name} more` : fresh;
}
