import { byTechnique } from '../../core/scheme/authoring/ownTechnique';
import { SIZE_LABELS, SIZES, STANDARD_LABELS, STANDARDS, type Size, type Standard, type Step } from '../../core/scheme/model/definitions';
import { factsOf, OTHER_NAMES, TECHNIQUES, type OwnTechnique, type Technique } from '../../core/scheme/model/techniques';

interface Option<T> {
  value: T;
  label: string;
}

export const sizeOptions: Option<Size>[] = SIZES.map((value) => ({ value, label: SIZE_LABELS[value] }));
export const standardOptions: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: STANDARD_LABELS[value] }));
export const standardNames: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: value }));

/** What else is found by its first letters. */
const ALSO = ['shade', 'highlight', 'undercoat', 'primer', 'chips', 'powder', 'paste', 'tufts'] as const;

const SHIPPED: readonly Option<string>[] = [
  ...TECHNIQUES.map((value) => ({ value: value as string, label: factsOf(value).label as string })),
  ...ALSO.map((name) => ({
    value: `also ${name}`,
    label: `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${factsOf(OTHER_NAMES[name]!).label.toLowerCase()}`,
  })),
];
const OWN = 'own ';

/** The painter's own techniques, then the others by their labels, then by what painters also call them. */
export const techniqueOptions = (own: readonly OwnTechnique[]): Option<string>[] => [
  ...own.map(({ id, name }) => ({ value: `${OWN}${id}`, label: name })),
  ...SHIPPED,
];

/** The value of the technique that a step is painted by. */
export const techniqueValue = ({ technique, own }: Pick<Step, 'technique' | 'own'>): string => (own ? `${OWN}${own.id}` : technique);

/** What a step becomes with a technique that was chosen. */
export function techniqueChosen(value: string, own: readonly OwnTechnique[]): Pick<Step, 'technique' | 'own'> {
  const chosen = own.find(({ id }) => value === `${OWN}${id}`);
  return chosen ? byTechnique(chosen) : { technique: OTHER_NAMES[value.replace(/^also /, '')] ?? (value as Technique) };
}
