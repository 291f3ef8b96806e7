import { useState } from 'react';
import { expectedOf, hasOpenCount, modelsOf, type TestModelState } from '../../../core/scheme/model/definitions';
import { goneAtCount } from '../../../core/scheme/authoring/gone';
import type { IntakeUnit } from '../../../contract/commission';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Hidden } from '../../../ui/Hidden/Hidden';
import { counted } from '../../../ui/format';
import { Sure } from '../../../ui/Sure/Sure';
import { ChevronDown, ChevronUp, X } from '../../../ui/icons';
import { sizeOptions } from '../../shared/options';
import { UnitMore } from './UnitMore';
import { notThere, WhoIsGone, type WhoIsWho } from './WhoIsGone';
import styles from './units.module.css';

const MOST = 1000;
const COLUMNS = 9;

const OWN_TEST_MODEL: { value: TestModelState; label: string }[] = [
  { value: 'none', label: 'none' },
  { value: 'waiting', label: 'paint this one first' },
  { value: 'approved', label: 'approved' },
  { value: 'on trust', label: 'going on without an answer' },
];

/** Whose test model speaks for the unit: its own, or that of another unit that has one. */
const BY = 'by ';
function testModelOptions(unit: IntakeUnit, units: readonly IntakeUnit[]): { value: string; label: string }[] {
  const others = units.filter(
    ({ id, testModel, testedBy }) => id !== unit.id && (testModel !== 'none' || id === unit.testedBy) && testedBy === null,
  );
  return [...OWN_TEST_MODEL, ...others.map(({ id, name }) => ({ value: BY + id, label: `that of ${name}` }))];
}

interface UnitRowProps {
  unit: IntakeUnit;
  /** All of the commission. */
  units: readonly IntakeUnit[];
  started: boolean;
  /** Leaders and groups in few words, and where they are changed. */
  roster: string;
  rosterHref: string;
  /** Groups and options with their models: what tells one model from another. */
  who: readonly WhoIsWho[];
  /** Of a minute at the bench, minor units. */
  price: { minorPerMinute: number; currency: string };
  onChange: (part: Partial<IntakeUnit>) => void;
  onRemove: () => void;
}

export function UnitRow({ unit, units, started, roster, rosterHref, who, price, onChange, onRemove }: UnitRowProps) {
  const [isOpen, setOpen] = useState(false);
  const recount = (part: Partial<Pick<IntakeUnit, 'promised' | 'owned' | 'counted'>>) =>
    onChange({ ...part, gone: goneAtCount(unit, modelsOf({ ...unit, ...part })).map(notThere) });
  const named = (what: string) => `${what} of ${unit.name}`;
  return (
    <>
      <tr data-unit={unit.name}>
        <td className={styles.name}>
          <TextField label={named('Name')} hideLabel value={unit.name} onChange={(name) => onChange({ name })} />
        </td>
        <td>
          <SelectField label={named('Size')} hideLabel value={unit.size} options={sizeOptions} onChange={(size) => onChange({ size })} />
        </td>
        <td className={styles.figure}>
          <NumberField
            label={named('Promised')}
            hideLabel
            whole
            value={unit.promised}
            min={1}
            max={MOST}
            onChange={(promised) => promised && recount({ promised })}
          />
        </td>
        <td className={styles.figure}>
          <NumberField
            label={named('Owned or not needed')}
            hideLabel
            whole
            value={unit.owned}
            min={0}
            max={Math.max(0, unit.promised - 1)}
            onChange={(owned) => owned !== null && recount({ owned })}
          />
        </td>
        <td className={styles.figure}>
          <NumberField
            label={named('Counted')}
            hideLabel
            whole
            optional
            value={unit.counted}
            min={1}
            max={MOST}
            placeholder="? or ="
            title="= for as many as promised"
            aria-keyshortcuts="="
            onChange={(count) => recount({ counted: count })}
            onKeyDown={(event) => {
              if (event.key !== '=') return;
              event.preventDefault();
              recount({ counted: expectedOf(unit) });
            }}
          />
        </td>
        <td className={styles.who}>
          <a href={rosterHref}>
            {roster}
            <Hidden>: {named('who is who')}</Hidden>
          </a>
        </td>
        <td className={styles.figure}>
          <NumberField
            label={named('Tray size')}
            hideLabel
            whole
            value={unit.trayLimit}
            min={1}
            max={MOST}
            onChange={(trayLimit) => trayLimit && onChange({ trayLimit })}
          />
        </td>
        <td>
          <SelectField
            label={named('Test model')}
            hideLabel
            value={unit.testedBy === null ? unit.testModel : BY + unit.testedBy}
            options={testModelOptions(unit, units)}
            onChange={(chosen) =>
              onChange(
                chosen.startsWith(BY)
                  ? { testModel: 'none', testedBy: chosen.slice(BY.length) }
                  : { testModel: chosen as TestModelState, testedBy: null },
              )
            }
          />
        </td>
        <td className={styles.rowTools}>
          <Button kind="quiet" aria-expanded={isOpen} aria-label={`More about ${unit.name}`} onClick={() => setOpen(!isOpen)}>
            {isOpen ? <ChevronUp aria-hidden="true" size={18} /> : <ChevronDown aria-hidden="true" size={18} />}
          </Button>
          <Sure
            kind="quiet"
            label={`Remove ${unit.name}`}
            question="Models are painted."
            yes="Remove anyway"
            isAsked={started}
            onYes={onRemove}
          >
            <X aria-hidden="true" size={18} />
          </Sure>
        </td>
      </tr>
      {unit.counted !== null && unit.counted !== expectedOf(unit) && <CountDifference unit={unit} onChange={onChange} />}
      {unit.gone.length > 0 && (who.length > 0 || started) && (
        <tr>
          <td colSpan={COLUMNS}>
            <WhoIsGone unit={unit} who={who} onChange={(gone) => onChange({ gone: gone.map(notThere) })} />
          </td>
        </tr>
      )}
      {isOpen && (
        <tr>
          <td colSpan={COLUMNS}>
            <UnitMore unit={unit} {...price} onChange={onChange} />
          </td>
        </tr>
      )}
    </>
  );
}

/** A count that is off stays in sight until somebody writes down why that is all right. */
function CountDifference({ unit, onChange }: Pick<UnitRowProps, 'unit' | 'onChange'>) {
  const short = expectedOf(unit) - unit.counted!;
  const difference = short > 0 ? `${counted(short, 'model')} short` : `${counted(-short, 'model')} too many`;
  const open = hasOpenCount(unit);
  return (
    <tr>
      <td colSpan={COLUMNS}>
        <div className={open ? styles.openCount : styles.settledCount}>
          <strong>
            {unit.name}: {difference}. {open ? 'Not settled.' : 'Settled.'}
          </strong>
          <TextField
            label={`How is the count of ${unit.name} settled?`}
            hideLabel
            placeholder="How is it settled? (asked the client, one follows by post …)"
            value={unit.countNote}
            onChange={(countNote) => onChange({ countNote })}
          />
        </div>
      </td>
    </tr>
  );
}
