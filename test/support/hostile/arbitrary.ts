import fc from '../property';
import type { Schema, SchemaDescription, SchemaInnerTypeDescription, SchemaObjectDescription } from 'yup';

type Description = SchemaDescription & Partial<SchemaObjectDescription & SchemaInnerTypeDescription>;

/** Texts that break what is careless: markup, formulas, names that objects have by birth, and what no font has. */
const NASTY = [
  '',
  ' ',
  '__proto__',
  'constructor',
  'toString',
  '<script>alert(1)</script>',
  "'; DROP TABLE unit; --",
  '=1+1',
  '\u0000',
  '𝕏\ud800',
  'x'.repeat(300),
];

/**
 * Values as a schema describes them, mostly good, with now and then a part of another kind; ids come from `known` about half the
 * time, so that some of them are of something that is there.
 */
export function valuesOf(schema: Schema, known: readonly string[]): fc.Arbitrary<unknown> {
  return spoiled(valueOf(schema.describe() as Description, known));
}

function valueOf(description: Description, known: readonly string[]): fc.Arbitrary<unknown> {
  const value = ofKind(description, known);
  const seldom = [
    { arbitrary: value, weight: 300 },
    ...(description.nullable ? [{ arbitrary: fc.constant(null), weight: 60 }] : []),
    { arbitrary: fc.jsonValue({ maxDepth: 2 }), weight: 1 },
  ];
  return fc.oneof(...seldom);
}

function ofKind(description: Description, known: readonly string[]): fc.Arbitrary<unknown> {
  const test = (name: string) => description.tests.find((each) => each.name === name)?.params as Record<string, unknown> | undefined;
  if (description.oneOf?.length) return fc.constantFrom(...(description.oneOf as unknown[]));
  switch (description.type) {
    case 'object':
      return fc.record(
        Object.fromEntries(Object.entries(description.fields ?? {}).map(([name, field]) => [name, valueOf(field as Description, known)])),
      );
    case 'array': {
      const inner = description.innerType as Description | undefined;
      return fc.array(inner ? valueOf(inner, known) : fc.jsonValue(), { maxLength: 4 });
    }
    case 'number':
      return numberOf(
        test('min')?.['min'] as number | undefined,
        test('max')?.['max'] as number | undefined,
        test('integer') !== undefined,
      );
    case 'boolean':
      return fc.boolean();
    case 'string':
      return textOf(test('matches')?.['regex'] as RegExp | undefined, known);
    default:
      return fc.jsonValue({ maxDepth: 3 });
  }
}

function numberOf(least = -10, most = 1000, isWhole: boolean): fc.Arbitrary<number> {
  const edges = fc.constantFrom(least, most, least - 1, most + 1, 0, -1, 0.5, 1e308, 2 ** 53);
  const inside = isWhole
    ? fc.integer({ min: Math.ceil(least), max: Math.floor(Math.min(most, 50)) })
    : fc.double({ min: least, max: Math.min(most, 500), noNaN: true });
  return fc.oneof({ arbitrary: inside, weight: 80 }, { arbitrary: edges, weight: 1 });
}

function textOf(pattern: RegExp | undefined, known: readonly string[]): fc.Arbitrary<string> {
  const nasty = { arbitrary: fc.constantFrom(...NASTY), weight: 1 };
  if (pattern === undefined) return fc.oneof({ arbitrary: fc.string({ minLength: 1, maxLength: 20 }), weight: 40 }, nasty);
  if (pattern.test('Ab9') && known.length > 0)
    return fc.oneof({ arbitrary: fc.constantFrom(...known), weight: 60 }, { arbitrary: fc.stringMatching(pattern), weight: 10 }, nasty);
  return fc.oneof({ arbitrary: fc.stringMatching(pattern), weight: 40 }, nasty);
}

/** Now and then something is left out, added or put in the place of another. */
function spoiled(value: fc.Arbitrary<unknown>): fc.Arbitrary<unknown> {
  return fc.oneof(
    { arbitrary: value, weight: 8 },
    {
      arbitrary: fc.tuple(value, fc.nat(), fc.jsonValue({ maxDepth: 1 })).map(([whole, at, other]) => {
        if (whole === null || typeof whole !== 'object') return other;
        const keys = Object.keys(whole);
        const key = keys[at % Math.max(1, keys.length)];
        return key === undefined ? other : { ...whole, [key]: other };
      }),
      weight: 1,
    },
    { arbitrary: fc.jsonValue({ maxDepth: 4 }), weight: 1 },
  );
}
