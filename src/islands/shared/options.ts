import { SIZE_LABELS, SIZES, STANDARD_LABELS, STANDARDS, type Size, type Standard } from '../../core/scheme/model/definitions';
import { TECHNIQUES, type Technique, factsOf } from '../../core/scheme/model/techniques';

interface Option<T> {
  value: T;
  label: string;
}

export const sizeOptions: Option<Size>[] = SIZES.map((value) => ({ value, label: SIZE_LABELS[value] }));
export const standardOptions: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: STANDARD_LABELS[value] }));
export const standardNames: Option<Standard>[] = STANDARDS.map((value) => ({ value, label: value }));
export const techniqueOptions: Option<Technique>[] = TECHNIQUES.map((value) => ({ value, label: factsOf(value).label }));
