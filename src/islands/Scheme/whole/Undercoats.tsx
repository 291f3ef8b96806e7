import { overWords, partWords } from '../../../core/scheme/model/workWords';
import { useMemo } from 'react';
import { type Paint, type Scheme, type Standard, type Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { undercoatAdvice, undercoatCandidates, withUndercoat, type CoatMinutes } from '../../../core/scheme/advice/undercoats';
import type { PassEstimates } from '../../../core/commission/estimate';
import { Button } from '../../../ui/Button/Button';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { differenceText } from '../../../ui/format';
import { stepCost } from '../../../core/commission/stepCosts';
import { withoutLostEnds } from '../../../core/scheme/authoring/edits';
import own from './Undercoats.module.css';
import styles from '../View.module.css';

interface UndercoatsProps {
  unit: Unit;
  /** Units of the commission that could be sprayed with it. */
  others: Unit[];
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  /** Models are painted: another undercoat comes too late. */
  isStarted: boolean;
  onChange: (scheme: Scheme) => void;
}

/** Which undercoat saves coats, which harms, and which units could be sprayed together. */
export function Undercoats({ unit, others, standard, paints, house, estimate, isStarted, onChange }: UndercoatsProps) {
  const shelf = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);
  const advice = useMemo(() => {
    const minutesOf =
      (of: Unit): CoatMinutes =>
      (step, part) =>
        stepCost(of, step, part, estimate, house).perCoat;
    const candidates = undercoatCandidates(unit, shelf);
    const adviceFor = (of: Unit) => undercoatAdvice(of, standard, shelf, candidates, minutesOf(of));
    const elsewhere = others.map((other) => ({ name: other.name, advice: adviceFor(other) }));
    return adviceFor(unit).map((each) => ({
      ...each,
      sharedWith: elsewhere.flatMap((other) => {
        const same = other.advice.find(({ paint }) => paint.id === each.paint.id);
        return same && same.minutes <= 0 ? [`${other.name} (${same.isPresent ? 'primed so' : differenceText(same.minutes)})`] : [];
      }),
    }));
  }, [unit, others, standard, shelf, house, estimate]);
  if (advice.length === 0) return null;
  return (
    <details className={styles.section} data-testid="undercoats">
      <summary>
        Undercoat: {advice.find(({ isPresent }) => isPresent)?.paint.name ?? 'no paint yet'}
        {advice[0]!.minutes < -0.05 && `; ${advice[0]!.paint.name} would save ${differenceText(-advice[0]!.minutes).slice(1)}`}
      </summary>
      <ul className={own.undercoats}>
        {advice.map(({ paint, isPresent, saved, harms, minutes, sharedWith }) => (
          <li key={paint.id}>
            <Swatch hex={paint.hex} kind={paint.kind} />
            <span>
              <strong>
                {paint.name}: {isPresent ? 'as it is now' : differenceText(minutes)}
              </strong>
              <small>
                {saved.length > 0 &&
                  `Saves the first coat of ${saved.map(({ step, part }) => partWords(part?.name ?? overWords(step.over, unit.scheme.parts))).join(', ')}. `}
                {harms.length > 0 && `${harms.join('; ')}. `}
                {sharedWith.length > 0 && `One spray with ${sharedWith.join(', ')}.`}
              </small>
            </span>
            {!isPresent && !isStarted && (
              <Button onClick={() => onChange(withoutLostEnds(withUndercoat(unit.scheme, { paint, saved })))}>Prime in {paint.name}</Button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
