import {
  SCHOOL_LABELS,
  SCHOOL_QUESTIONS,
  SCHOOLS,
  STRENGTHS,
  type SchoolQuestion,
  type Schools,
  type Strength,
  type Strengths,
} from '../../core/scheme/model/schools';
import { WISH_ROWS } from '../../core/scheme/rules/wishRows';
import { SelectField } from '../../ui/Field/Field';
import styles from './SchoolFields.module.css';

interface SchoolFieldsProps {
  value: Partial<Schools>;
  strengths: Strengths;
  /** What holds where nothing is chosen; left out where something always is. */
  house?: { schools: Schools; strengths: Strengths };
  onChange: (question: SchoolQuestion, choice: string | null) => void;
  onStrength: (question: SchoolQuestion, strength: Strength | null) => void;
}

const AS_HOUSE = '';
/** Does an order break or keep what is chosen? The other choices say when in the life of a model a step stands, or nothing at all. */
const hasWishes = (question: SchoolQuestion, choice: string | undefined) =>
  choice !== undefined && WISH_ROWS.some(({ school }) => school?.[question] === choice);
const options = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

/** A choice for each question on which painters differ, and how strongly it holds where an order could break it. */
export function SchoolFields({ value, strengths, house, onChange, onStrength }: SchoolFieldsProps) {
  const asHouse = (of: string) => (house ? [{ value: AS_HOUSE, label: `as in House rules: ${of}` }] : []);
  return SCHOOL_QUESTIONS.map((question) => (
    <div key={question} className={styles.habit}>
      <SelectField
        label={SCHOOL_LABELS[question]}
        value={value[question] ?? AS_HOUSE}
        options={[...asHouse(house?.schools[question] ?? ''), ...options(SCHOOLS[question])]}
        onChange={(choice) => onChange(question, choice === AS_HOUSE ? null : choice)}
      />
      {hasWishes(question, value[question] ?? house?.schools[question]) && (
        <SelectField
          label={`How strongly: ${SCHOOL_LABELS[question].toLowerCase()}`}
          hideLabel
          value={strengths[question] ?? (house ? AS_HOUSE : STRENGTHS[0])}
          options={[...asHouse(house?.strengths[question] ?? STRENGTHS[0]), ...options(STRENGTHS)]}
          onChange={(strength) => onStrength(question, strength === AS_HOUSE ? null : (strength as Strength))}
        />
      )}
    </div>
  ));
}
