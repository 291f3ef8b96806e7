import { expect } from 'chai';
import { InputError, showValue } from '../../../src/core/kernel/InputError';

describe('an error of outside data', () => {
  it('says what is wrong with which value, and what to do', () => {
    const error = new InputError('units[2].promised', -3, 'give a whole number from 0 on');
    expect(error.message).to.equal('units[2].promised is -3: give a whole number from 0 on');
    expect([error.name, error.field, error.value, error.remedy]).to.deep.equal([
      'InputError',
      'units[2].promised',
      -3,
      'give a whole number from 0 on',
    ]);
  });

  it('shows a value as it was written, and what has no writing by its name', () => {
    const shown: [unknown, string][] = [
      [undefined, 'missing'],
      [null, 'null'],
      [NaN, 'NaN'],
      [-Infinity, '-Infinity'],
      [1.5, '1.5'],
      ['', '""'],
      ['say "dry"', '"say \\"dry\\""'],
      [[1, [2]], '[1,[2]]'],
      [{ a: { b: true } }, '{"a":{"b":true}}'],
      [() => 1, 'function'],
    ];
    for (const [value, text] of shown) expect(showValue(value)).to.equal(text);
  });

  it('cuts what is longer than sixty letters, and no shorter one', () => {
    expect(showValue('x'.repeat(58))).to.equal(`"${'x'.repeat(58)}"`);
    expect(showValue('x'.repeat(59))).to.equal(`"${'x'.repeat(59)}…`);
    expect(showValue('x'.repeat(1_000_000))).to.equal(`"${'x'.repeat(59)}…`);
    expect(showValue({ ['k'.repeat(100)]: 1 })).to.equal(`{"${'k'.repeat(58)}…`);
    expect(showValue(Array.from({ length: 100_000 }, () => 1))).to.equal(`[${'1,'.repeat(29)}1…`);
    const wide = Object.fromEntries(Array.from({ length: 1000 }, (_, index) => [`k${index}`, index]));
    expect(showValue(wide)).to.have.length(61);
  });

  it('goes eight levels into a value, and no deeper', () => {
    const nested = (levels: number): unknown => (levels === 0 ? 1 : [nested(levels - 1)]);
    expect(showValue(nested(8))).to.equal('[[[[[[[[1]]]]]]]]');
    expect(showValue(nested(9))).to.equal('[[[[[[[["…"]]]]]]]]');
    expect(showValue(nested(5000))).to.equal('[[[[[[[["…"]]]]]]]]');
    const ring: Record<string, unknown> = {};
    ring['of'] = ring;
    expect(showValue(ring)).to.equal(`${'{"of":'.repeat(8)}"…"${'}'.repeat(8)}`.replace(/^(.{60}).+$/, '$1…'));
    const circle: unknown[] = [];
    circle.push(circle);
    expect(showValue(circle)).to.equal('[[[[[[[["…"]]]]]]]]');
  });
});
