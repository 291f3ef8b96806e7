import { SCHOOL_LABELS, SCHOOL_QUESTIONS, SCHOOLS, type SchoolQuestion, type Schools } from '../../core/scheme/model/schools';
import { SelectField } from '../../ui/Field/Field';

interface SchoolFieldsProps {
  value: Partial<Schools>;
  /** What holds where nothing is chosen; left out where something always is. */
  house?: Schools;
  onChange: (question: SchoolQuestion, choice: string | null) => void;
}

const AS_HOUSE = '';

/** A choice for each question on which painters differ. */
export function SchoolFields({ value, house, onChange }: SchoolFieldsProps) {
  return SCHOOL_QUESTIONS.map((question) => (
    <SelectField
      key={question}
      label={SCHOOL_LABELS[question]}
      value={value[question] ?? AS_HOUSE}
      options={[
        ...(house ? [{ value: AS_HOUSE, label: `as in House rules: ${house[question]}` }] : []),
        ...SCHOOLS[question].map((choice) => ({ value: choice as string, label: choice as string })),
      ]}
      onChange={(choice) => onChange(question, choice === AS_HOUSE ? null : choice)}
    />
  ));
}
