import { object } from 'yup';
import { SIZES, STANDARDS, UNCOUNTED, type Paint, type Scheme, type Size, type Standard, type Unit } from '../../scheme/model/definitions';
import { paintsOfScheme } from '../../scheme/model/pots';
import { inARow } from '../../scheme/authoring/dealOut';
import { checkScheme } from './checkScheme';
import { schemeAsToday } from './earlierSchemes';
import { paintSchema } from './commissionSchemas';
import { count, list, oneOf, parse, requiredText } from '../fields';
import { InputError } from '../../kernel/InputError';
import { MOST_MODELS, schemeFields, schemeOf } from './schemeSchemas';
import { checkWorkSize } from './workSize';

export const SCHEME_FORMAT = 'neat-relay/scheme@2';
const FIRST_FORMAT = 'neat-relay/scheme@1';
export const SCHEME_FORMATS: readonly string[] = [SCHEME_FORMAT, FIRST_FORMAT];

/** A scheme that can be kept, sent and used again: for the library, another commission, another size. */
export interface SchemeFile {
  name: string;
  size: Size;
  models: number;
  standard: Standard;
  paints: Paint[];
  scheme: Scheme;
}

const schema = object({
  format: oneOf([SCHEME_FORMAT, FIRST_FORMAT] as const),
  name: requiredText('a name for the scheme'),
  size: oneOf(SIZES),
  models: count(1, MOST_MODELS),
  standard: oneOf(STANDARDS),
  paints: list(paintSchema),
  ...schemeFields,
});

/** Reads a scheme file; throws an `InputError` naming the first place that cannot be taken. */
export function readScheme(value: unknown): SchemeFile {
  const { format, name, size, models, standard, paints, ...rest } = parse(schema, value);
  const ids = new Set<string>();
  paints.forEach((paint, index) => {
    if (ids.has(paint.id)) throw new InputError(`paints[${index}].id`, paint.id, 'list every paint once');
    ids.add(paint.id);
  });
  const file: SchemeFile = {
    name,
    size,
    models,
    standard,
    paints: paints as Paint[],
    scheme: format === FIRST_FORMAT ? schemeAsToday(schemeOf(rest)) : schemeOf(rest),
  };
  checkScheme(file.scheme, { field: '', models: inARow(models), taken: new Set(), isPaint: (id) => ids.has(id) });
  checkWorkSize([unitOf(file)]);
  return file;
}

/** The models of the scheme as a unit, all on one tray. */
export const unitOf = ({ name, size, models, scheme }: SchemeFile): Unit => ({
  id: 'unit',
  name,
  size,
  promised: models,
  ...UNCOUNTED,
  trayLimit: models,
  scheme,
});

/** Writes a scheme with the paints it asks for, its fields always in the same order. */
export function writeScheme({ name, size, models, standard, paints, scheme }: SchemeFile): string {
  const used = paintsOfScheme(scheme);
  const { groups, variants, mixes, schools, strengths, rules, off, stops, level, parts, allOver } = scheme;
  const file = {
    format: SCHEME_FORMAT,
    name,
    size,
    models,
    standard,
    paints: paints
      .filter(({ id }) => used.has(id))
      .map(({ id, name: called, hex, kind, dryMinutes }) => ({ id, name: called, hex, kind, dryMinutes })),
    mixes,
    groups,
    variants,
    schools,
    ...(strengths && { strengths }),
    ...(level && { level }),
    rules,
    off,
    ...(stops.length > 0 && { stops }),
    parts,
    allOver,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}
