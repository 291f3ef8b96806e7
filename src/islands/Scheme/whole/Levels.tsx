import { levelCosts } from '../../../core/commission/levels';
import type { StopLine } from '../../../core/commission/stepCosts';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import type { Level } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { counted, minutesText, moneyText } from '../../../ui/format';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import own from './whole.module.css';
import styles from '../View.module.css';

interface LevelsProps {
  level: Level | null;
  models: number;
  lines: StopLine[];
  house: HouseRules;
  onChange: (level: Level | null) => void;
}

/** What the unit is at each of the painter's levels by minutes, and which of them it is painted to. */
export function Levels({ level, models, lines, house, onChange }: LevelsProps) {
  const levels = level && !house.levels.some((each) => isSame(each, level)) ? [...house.levels, level] : house.levels;
  const planned = lines.flatMap(({ standard, minutes }) => (standard === null ? [] : [{ standard, minutes }]));
  const { rows, sorting } = useSorted(levelCosts(levels, models, planned, house.hourlyRateMinor), {
    name: (row) => row.level.name,
    minutes: (row) => row.level.minutes,
    price: (row) => row.priceMinor,
    holds: (row) => row.holds,
  });
  if (levels.length === 0) return null;
  return (
    <details className={styles.section} data-testid="levels">
      <summary>
        Level by minutes: <strong>{level ? `${level.name}, ${minutesText(level.minutes)} a model` : 'none chosen'}</strong>
      </summary>
      <Wide>
        <table className={own.levels}>
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Level
              </SortHead>
              <SortHead sorting={sorting} by="minutes">
                A model
              </SortHead>
              <th scope="col">{counted(models, 'model')}</th>
              <SortHead sorting={sorting} by="price">
                Price
              </SortHead>
              <SortHead sorting={sorting} by="holds">
                Holds the steps of
              </SortHead>
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map(({ level: each, unitMinutes, priceMinor, holds }) => (
              <tr key={`${each.name} ${each.minutes}`} data-level={each.name}>
                <th scope="row">{each.name}</th>
                <td>{minutesText(each.minutes)}</td>
                <td>{minutesText(unitMinutes)}</td>
                <td>{moneyText(priceMinor, house.currency)}</td>
                <td>{holds ?? 'no standard as it is planned'}</td>
                <td>
                  {level && isSame(each, level) ? (
                    <Button onClick={() => onChange(null)}>Paint without a level</Button>
                  ) : (
                    <Button onClick={() => onChange(each)}>Paint to {each.name}</Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </details>
  );
}

const isSame = (a: Level, b: Level): boolean => a.name === b.name && a.minutes === b.minutes;
