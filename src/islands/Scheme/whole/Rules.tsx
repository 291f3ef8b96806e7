import { partWords } from '../../../core/scheme/model/workWords';
import { useMemo, useState } from 'react';
import type { OwnRule, Paint, Scheme, Standard, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { orderRules } from '../../../core/scheme/rules/orderRules';
import { OWN_RULE, type HardRule, type SoftRule } from '../../../core/scheme/rules/ruleBetween';
import { ruleOf } from '../../../core/scheme/rules/ruleCatalogue';
import { normOfPass } from '../../../core/time/fit/norms';
import { passesOf, type Pass } from '../../../core/scheme/passes/passes';
import { withPots } from '../../../core/scheme/model/pots';
import { labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Notice } from '../../../ui/Notice/Notice';
import { counted, minutesText } from '../../../ui/format';
import { X } from '../../../ui/icons';
import styles from './Rules.module.css';
import { mixer } from '../../client/mixer';
import view from '../View.module.css';

interface RulesProps {
  unit: Unit;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  onChange: (scheme: Scheme) => void;
}

/** All rules in force here, with reason, source and price; the painter's own; and what was switched off. */
export function Rules({ unit, standard, paints, house, onChange }: RulesProps) {
  const { scheme } = unit;
  const { rules, passes } = useMemo(() => {
    const all = passesOf(unit, standard, house);
    const pots = withPots(new Map(paints.map((paint) => [paint.id, paint])), [unit.scheme], mixer);
    return { passes: all, rules: orderRules(unit, all, pots, house, normOfPass(unit.size)) };
  }, [unit, standard, paints, house]);
  const nameOf = (key: string) => passName(passes.find((pass) => pass.key === key));
  const inForce = summary(rules);
  return (
    <details className={view.section} data-testid="rules">
      <summary>
        Order rules in force: {counted(inForce.length, 'kind')}, {counted(rules.hard.length + rules.soft.length, 'pair')}
      </summary>
      {rules.circles.map((circle) => (
        <Circle key={`${circle[0]!.before} ${circle[0]!.after}`} circle={circle} nameOf={nameOf} />
      ))}
      <ul className={styles.ruleList}>
        {inForce.map((rule) => (
          <RuleEntry key={rule.id} rule={rule} onOff={(note) => onChange({ ...scheme, off: [...scheme.off, { rule: rule.id, note }] })} />
        ))}
      </ul>
      {scheme.off.length > 0 && (
        <ul className={styles.ruleList} aria-label="Switched off here">
          {scheme.off.map((off) => (
            <li key={off.rule}>
              Off: {ruleOf(off.rule)?.says} {off.note && `(${off.note})`}{' '}
              <Button kind="quiet" onClick={() => onChange({ ...scheme, off: scheme.off.filter((each) => each !== off) })}>
                Let it hold
              </Button>
            </li>
          ))}
        </ul>
      )}
      <OwnRules unit={unit} onChange={(own) => onChange({ ...scheme, rules: own })} />
    </details>
  );
}

const PRICE: Record<RuleSummary['kind'], (rule: RuleSummary) => string> = {
  hard: () => 'Always',
  'touch-up': ({ minutes }) => `up to ${minutesText(minutes)} a model to paint again`,
  wish: ({ minutes }) => `worth up to ${minutesText(minutes)} a model`,
};

interface RuleSummary {
  id: string;
  says: string;
  kind: 'hard' | SoftRule['kind'];
  source: string;
  pairs: number;
  /** Dearest price of a break, minutes for a model. */
  minutes: number;
}

function summary({ hard, soft }: ReturnType<typeof orderRules>): RuleSummary[] {
  const found = new Map<string, RuleSummary>();
  const take = (id: string, kind: RuleSummary['kind'], minutes: number, reason: string) => {
    const row = ruleOf(id);
    const source =
      id === OWN_RULE ? 'your own' : row?.school ? 'habit' : { hard: 'physics', 'touch-up': 'less touch-up', wish: 'habit' }[kind];
    const known = found.get(id) ?? { id, says: row?.says ?? reason, kind, source, pairs: 0, minutes: 0 };
    found.set(id, { ...known, pairs: known.pairs + 1, minutes: Math.max(known.minutes, minutes) });
  };
  for (const { rule, reason } of hard) take(rule, 'hard', 0, reason);
  for (const { rule, kind, reason, minutesPerModel } of soft) take(rule, kind, minutesPerModel, reason);
  return [...found.values()];
}

function RuleEntry({ rule, onOff }: { rule: RuleSummary; onOff: (note: string) => void }) {
  const [note, setNote] = useState<string | null>(null);
  const off = () => {
    if (rule.kind !== 'hard') return onOff('');
    if (note === null) return setNote('');
    if (note.trim() !== '') onOff(note.trim());
  };
  return (
    <li>
      <span>
        {rule.says}{' '}
        <small>
          {PRICE[rule.kind](rule)}; {rule.source}; {counted(rule.pairs, 'pair')}
        </small>
      </span>
      {note !== null && <TextField label="Why does it not hold here?" value={note} onChange={setNote} />}
      {rule.id !== OWN_RULE && (
        <Button kind="quiet" onClick={off}>
          {rule.kind === 'hard' && note === null ? 'Switch off with a note …' : 'Switch off'}
        </Button>
      )}
    </li>
  );
}

function Circle({ circle, nameOf }: { circle: HardRule[]; nameOf: (passKey: string) => string }) {
  return (
    <Notice kind="flag" role="alert">
      <p>These cannot all hold, so the first of them does not, and nothing is stored until one goes, or holds only mostly:</p>
      <ol data-testid="circle">
        {circle.map((link) => (
          <li key={`${link.before} ${link.after}`}>
            {nameOf(link.before)} before {nameOf(link.after)}: {link.reason} ({link.rule === OWN_RULE ? 'your own: it can go' : link.rule})
          </li>
        ))}
      </ol>
    </Notice>
  );
}

const passName = (pass: Pass | undefined): string => (pass ? `${labelOf(pass.step).toLowerCase()} on ${partWords(pass.where)}` : 'a step');

/** Steps of a scheme by name, for choosing. */
const stepOptions = ({ parts, allOver }: Scheme): { value: string; label: string }[] => [
  ...parts.flatMap((part) =>
    part.steps.map((step, index) => ({
      value: step.id,
      label: `${part.name}: ${labelOf(step).toLowerCase()}, ${index + 1}`,
    })),
  ),
  ...allOver.map((step) => ({ value: step.id, label: `Everything: ${labelOf(step).toLowerCase()}` })),
];

const ownPrice = ({ minutesPerModel, wish }: OwnRule): string =>
  minutesPerModel === null
    ? 'always'
    : wish
      ? `a wish, worth ${minutesText(minutesPerModel)} a model`
      : `${minutesText(minutesPerModel)} a model to paint again if broken`;

function OwnRules({ unit, onChange }: { unit: Unit; onChange: (rules: OwnRule[]) => void }) {
  const { rules } = unit.scheme;
  const steps = stepOptions(unit.scheme);
  const [first, setFirst] = useState('');
  const [then, setThen] = useState('');
  const [minutes, setMinutes] = useState<number | null>(null);
  const [isWish, setWish] = useState(false);
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string | null>(null);
  const add = () => {
    if (first === '' || then === '' || first === then) return setError('A rule needs two different steps: choose both.');
    if (reason.trim() === '') return setError('The rule has no reason: write why, so that the plan can say it.');
    onChange([
      ...rules,
      { first, then, minutesPerModel: minutes, ...(minutes !== null && isWish && { wish: true }), reason: reason.trim() },
    ]);
    setReason('');
    setError(null);
  };
  const choices = [{ value: '', label: 'choose a step' }, ...steps];
  const nameOf = (id: string) => steps.find((step) => step.value === id)?.label ?? id;
  return (
    <>
      <ul className={styles.ruleList} aria-label="Your own rules">
        {rules.map((rule, index) => (
          <li key={index}>
            <span>
              {nameOf(rule.first)} before {nameOf(rule.then)}: {rule.reason} <small>{ownPrice(rule)}</small>
            </span>
            <Button
              kind="quiet"
              aria-label={`Remove the rule ${rule.reason}`}
              onClick={() => onChange(rules.filter((each) => each !== rule))}
            >
              <X aria-hidden="true" size={16} />
            </Button>
          </li>
        ))}
      </ul>
      <div className={styles.ownRule}>
        <SelectField label="A rule of your own: first" value={first} options={choices} onChange={setFirst} />
        <SelectField label="then" value={then} options={choices} onChange={setThen} />
        <TextField label="Because" placeholder="boots rub on the ground paint" value={reason} onChange={setReason} error={error} />
        <NumberField
          live
          label="Costs if broken"
          unit="min a model"
          optional
          min={0}
          max={1000}
          placeholder="always"
          value={minutes}
          onChange={setMinutes}
        />
        {minutes !== null && (
          <label className={view.check}>
            <input type="checkbox" checked={isWish} onChange={(event) => setWish(event.target.checked)} /> Only a wish: nothing has to be
            painted again
          </label>
        )}
        <Button onClick={add}>Add the rule</Button>
      </div>
    </>
  );
}
