import {
  SIZE_LABELS,
  SIZES,
  STANDARD_LABELS,
  STANDARDS,
  TECHNIQUES,
  WHO,
  type Size,
  type Standard,
  type Technique,
  type Who,
} from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';

interface Option<T> {
  value: T;
  label: string;
}

export const sizeOptions: Option<Size>[] = SIZES.map((value) => ({ value, label: SIZE_LABELS[value] }));
export const standardOptions: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: STANDARD_LABELS[value] }));
export const standardNames: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: value }));
export const techniqueOptions: Option<Technique>[] = TECHNIQUES.map((value) => ({ value, label: factsOf(value).label }));

const WHO_LABELS = { all: 'every model', leaders: 'leaders only', others: 'all but the leaders' } as const satisfies Record<Who, string>;
export const whoOptions: Option<Who>[] = WHO.map((value) => ({ value, label: WHO_LABELS[value] }));
