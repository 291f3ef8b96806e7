import { SIZE_LABELS, SIZES, STANDARD_LABELS, STANDARDS, type Size, type Standard } from '../../core/scheme/model/definitions';
import { OTHER_NAMES, TECHNIQUES, type Technique, factsOf } from '../../core/scheme/model/techniques';

interface Option<T> {
  value: T;
  label: string;
}

export const sizeOptions: Option<Size>[] = SIZES.map((value) => ({ value, label: SIZE_LABELS[value] }));
export const standardOptions: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: STANDARD_LABELS[value] }));
export const standardNames: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: value }));

/** What else is found by its first letters. */
const ALSO = ['shade', 'highlight', 'undercoat', 'primer', 'chips', 'powder', 'paste', 'tufts'] as const;

/** Techniques by their labels, then by what painters also call them. */
export const techniqueOptions: Option<string>[] = [
  ...TECHNIQUES.map((value) => ({ value: value as string, label: factsOf(value).label as string })),
  ...ALSO.map((name) => ({
    value: `also ${name}`,
    label: `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${factsOf(OTHER_NAMES[name]!).label.toLowerCase()}`,
  })),
];

export const techniqueNamed = (value: string): Technique => OTHER_NAMES[value.replace(/^also /, '')] ?? (value as Technique);
