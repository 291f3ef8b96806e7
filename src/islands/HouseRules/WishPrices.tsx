import { WISH_ROWS } from '../../core/scheme/rules/wishRows';
import { strengthOf, type SchoolQuestion } from '../../core/scheme/model/schools';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import { NumberField } from '../../ui/Field/NumberField';
import styles from './View.module.css';

interface WishPricesProps {
  rules: HouseRules;
  onChange: (wishMinutes: HouseRules['wishMinutes']) => void;
}

/** The wishes of the habits chosen: only those that hold mostly have a price. */
function weighed({ schools, strengths }: HouseRules) {
  return WISH_ROWS.filter(({ school = {} }) =>
    (Object.entries(school) as [SchoolQuestion, string][]).every(
      ([question, choice]) => schools[question] === choice && strengthOf(question, undefined, strengths) === 'mostly',
    ),
  );
}

/** What each habit is worth where it holds mostly: an order may break it where that saves more. */
export function WishPrices({ rules, onChange }: WishPricesProps) {
  return (
    <details className={styles.wishes}>
      <summary>What keeping each habit is worth, minutes a model</summary>
      <p className={styles.learned}>
        An order breaks a habit only where that saves more than it is worth. On a tray of ten, 0.2 minutes a model are two minutes at the
        bench.
      </p>
      <div className={styles.schools}>
        {weighed(rules).map(({ id, says, minutes }) => (
          <NumberField
            key={id}
            label={says}
            unit="min"
            min={0}
            max={60}
            value={rules.wishMinutes[id] ?? minutes}
            onChange={(value) => value !== null && onChange({ ...rules.wishMinutes, [id]: value })}
          />
        ))}
      </div>
    </details>
  );
}
