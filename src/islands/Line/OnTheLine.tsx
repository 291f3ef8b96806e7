import { useEffect, useMemo } from 'react';
import { type SetPrice, harms } from '../../core/plan/choices/lineSets';
import type { UnitChoice } from '../../contract/line';
import type { Selection } from '../../core/plan/selection';
import { Button } from '../../ui/Button/Button';
import { cx } from '../../ui/cx';
import { counted, dayText } from '../../ui/format';
import { selectionOf, summaryOf } from '../shared/selections';
import chooser from '../shared/UnitChooser.module.css';
import styles from './OnTheLine.module.css';
import { priceText } from '../shared/dateWords';
import { LineTimes } from '../shared/LineTimes';
import { useLineSets, type LineSetsAnswer } from '../client/useLineSets';
import type { LineDesk } from './search/useLineDesk';
import { Working } from '../../ui/Working/Working';

/** Which units are on the line; each can be put on or taken off, with its price said before it is done. */
export function OnTheLine({ desk }: { desk: LineDesk }) {
  const { choices, selection } = desk.picture;
  const { isOpen, setOpen } = desk.chooser;
  const onLine = useMemo(() => choices.filter((unit) => isIn(selection, unit)), [choices, selection]);
  useEffect(() => {
    if (!isOpen) return;
    const close = (event: KeyboardEvent) => event.key === 'Escape' && setOpen(false);
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [isOpen, setOpen]);
  return (
    <details className={chooser.chooser} data-testid="chooser" open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        {summaryOf(onLine)} <span className={chooser.change}>Choose what is on the line</span>
      </summary>
      {isOpen && <Choosing desk={desk} onLine={onLine} />}
    </details>
  );
}

function Choosing({ desk, onLine }: { desk: LineDesk; onLine: UnitChoice[] }) {
  const { choices, selection, commissions } = desk.picture;
  const sets = useLineSets(selection);
  const times = useMemo(() => (sets === null || sets === 'working' ? null : new LineTimes(sets.sessions)), [sets]);
  const nameOf = (id: string) => commissions.find((each) => each.id === id)?.name ?? '';
  const groups = [...new Set(choices.map((unit) => unit.commissionId))].map((id) => choices.filter((unit) => unit.commissionId === id));
  const ids = new Set(onLine.map((unit) => unit.id));
  // Not disabled meanwhile: that would take the focus from who works by keyboard.
  const put = (unitIds: Iterable<string>, price?: SetPrice) => {
    if (!desk.isChoosing) void desk.choose(selectionOf(groups, new Set(unitIds)), price?.order);
  };
  const toggle = (units: UnitChoice[], on: boolean, price?: SetPrice) =>
    put(on ? [...ids, ...units.map(({ id }) => id)] : [...ids].filter((id) => !units.some((unit) => unit.id === id)), price);
  const words = (price: SetPrice | undefined) => (price && times ? priceText(price, times, nameOf) : null);
  const prices = sets === null || sets === 'working' ? null : sets;
  const singly = new Map(prices?.singly);
  const byCommission = new Map(prices?.byCommission);
  return (
    <div className={cx(chooser.panel, styles.prices)} aria-busy={desk.isChoosing}>
      <Suggestions sets={sets} words={words} choices={choices} onTake={(price) => put(price.unitIds, price)} isChoosing={desk.isChoosing} />
      {groups.map((units) => {
        const [first] = units as [UnitChoice];
        const isWhole = units.every(({ id }) => ids.has(id));
        const whole = byCommission.get(first.commissionId);
        return (
          <fieldset key={first.commissionId} className={chooser.group}>
            <legend>
              <Row
                label={`${first.commissionName}, due ${dayText(first.dueOn)}`}
                isOn={isWhole}
                isLast={isWhole && units.length === ids.size}
                price={units.length > 1 ? words(whole) : null}
                hasFocus={desk.chooser.ticked === first.commissionId}
                onChange={(on) => {
                  desk.chooser.setTicked(first.commissionId);
                  toggle(units, on, whole);
                }}
              />
            </legend>
            {units.map((unit) => (
              <Row
                key={unit.id}
                label={`${unit.name}, ${counted(unit.models, 'model')}${unit.hasScheme ? '' : ', no scheme yet'}`}
                isOn={ids.has(unit.id)}
                isLast={ids.has(unit.id) && ids.size === 1}
                price={words(singly.get(unit.id))}
                hasFocus={desk.chooser.ticked === unit.id}
                onChange={(on) => {
                  desk.chooser.setTicked(unit.id);
                  toggle([unit], on, singly.get(unit.id));
                }}
              />
            ))}
          </fieldset>
        );
      })}
      {desk.error && <p role="alert">{desk.error}</p>}
    </div>
  );
}

interface RowProps {
  label: string;
  isOn: boolean;
  /** Nothing would be left on the line without it. */
  isLast: boolean;
  price: string | null;
  hasFocus: boolean;
  onChange: (on: boolean) => void;
}

function Row({ label, isOn, isLast, price, hasFocus, onChange }: RowProps) {
  return (
    <label className={chooser.check}>
      <input type="checkbox" checked={isOn} disabled={isLast} autoFocus={hasFocus} onChange={(event) => onChange(event.target.checked)} />
      <span>
        {label}
        {price && (
          <small>
            {isOn ? 'Without it' : 'With it'}: {price}.
          </small>
        )}
      </span>
    </label>
  );
}

interface SuggestionsProps {
  sets: LineSetsAnswer;
  words: (price: SetPrice) => string | null;
  choices: readonly UnitChoice[];
  onTake: (price: SetPrice) => void;
  isChoosing: boolean;
}

function Suggestions({ sets, words, choices, onTake, isChoosing }: SuggestionsProps) {
  if (sets === 'working')
    return (
      <p role="status">
        <Working label="Working out what would go well together …" />
      </p>
    );
  if (sets === null) return <p>Set your sessions in House rules to see what other units bring.</p>;
  if (sets.suggestions.length === 0) return <p>No other set of units saves bench time.</p>;
  return (
    <section aria-label="Sets that save bench time">
      <h3 className={styles.heading}>Sets that save bench time</h3>
      <ul className={styles.sets}>
        {sets.suggestions.map((set) => (
          <li key={set.unitIds.join()}>
            <span>
              {namesOf(set.unitIds, choices)}
              <small>
                {words(set)}.{harms(set) && ' A date suffers.'}
                {set.obstacles.length > 0 && ` Note: ${set.obstacles.join('; ')}.`}
              </small>
            </span>
            <Button disabled={isChoosing} onClick={() => onTake(set)}>
              Use this set
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whole commissions by their name, single units by theirs. */
function namesOf(unitIds: readonly string[], choices: readonly UnitChoice[]): string {
  const names = [...new Set(choices.map(({ commissionId }) => commissionId))].flatMap((id) => {
    const units = choices.filter((unit) => unit.commissionId === id);
    const chosen = units.filter((unit) => unitIds.includes(unit.id));
    if (chosen.length === 0) return [];
    return chosen.length === units.length ? [`${units[0]!.commissionName} (all)`] : chosen.map(({ name }) => name);
  });
  return names.join(' + ');
}

const isIn = (selection: Selection, { id, commissionId }: UnitChoice): boolean =>
  selection.some((each) => each.commissionId === commissionId && (each.unitIds === null || each.unitIds.includes(id)));
