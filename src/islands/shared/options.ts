import {
  SIZE_LABELS,
  SIZES,
  STANDARD_LABELS,
  STANDARDS,
  TECHNIQUES,
  type Size,
  type Standard,
  type Technique,
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
