import { expect } from 'chai';
import { object, type Schema } from 'yup';
import {
  atLeast,
  clockTime,
  count,
  day,
  hexColour,
  id,
  instant,
  list,
  minutes,
  note,
  oneOf,
  optionalMinutes,
  parse,
  requiredText,
  share,
} from '../../../src/core/formats/fields';
import { InputError, showValue } from '../../../src/core/kernel/InputError';

const FIELDS: [name: string, schema: Schema, good: unknown[], bad: unknown[]][] = [
  ['a name', requiredText('a name'), ['Coast', 'ü'], ['', '  ', null, undefined, 3, 'x'.repeat(201)]],
  ['a note', note(), ['', 'x'.repeat(4000)], [undefined, null, 'x'.repeat(4001)]],
  ['minutes', minutes(), [0, 1.5, 1e6], [-0.1, NaN, Infinity, '3', null, undefined]],
  ['optional minutes', optionalMinutes(), [0, undefined], [-1, '3']],
  ['a count', count(1, 10), [1, 10], [0, 11, 1.5, '1', null]],
  ['a share', share(), [0, 0.5, 1], [-0.01, 1.01, null]],
  ['a least', atLeast(0.1, 'a factor'), [0.1, 5], [0.09, null]],
  ['a day', day(), ['2026-11-30', '2028-02-29'], ['2026-02-29', '2026-13-01', '30.11.2026', '', null]],
  [
    'an instant',
    instant(),
    ['2026-11-30T19:00:00Z', '2026-11-30T19:00+01:00', '2026-11-30T19:00:00.123Z'],
    ['2026-11-30', '2026-11-30T19:00:00', '2026-13-30T19:00:00Z', 3],
  ],
  ['a time of day', clockTime(), ['00:00', '19:30', '24:00'], ['24:01', '7:00', '19:60', '']],
  ['a colour', hexColour(), ['#a1b2c3'], ['#A1B2C3', '#abc', 'red', null]],
  ['an id', id(), ['01J', 'step#1@2', 'a_b-c.d:e'], ['', 'a b', '../x', 'x'.repeat(81), null]],
  ['a choice', oneOf(['a', 'b'] as const), ['a', 'b'], ['c', '', null, undefined]],
  ['a list', list(count(1), 2), [[], [1, 2]], [[0], [1, 2, 3], null, 'a']],
];

describe('fields of outside data', () => {
  for (const [name, schema, good, bad] of FIELDS) {
    it(`take ${name} only as it should be`, () => {
      for (const value of good)
        expect(parse(object({ field: schema }), { field: value }), showValue(value)).to.deep.equal(
          value === undefined ? {} : { field: value },
        );
      for (const value of bad) {
        const act = () => parse(object({ field: schema }), { field: value });
        expect(act, showValue(value))
          .to.throw(InputError)
          .with.property('message')
          .that.matches(/^field(\[\d+\])? is .+: .+/);
      }
    });
  }

  it('show values shortly', () => {
    expect(showValue(undefined)).to.equal('missing');
    expect(showValue(NaN)).to.equal('NaN');
    expect(showValue('x'.repeat(100))).to.have.length(61);
    expect(showValue({ a: [1] })).to.equal('{"a":[1]}');
  });
});
