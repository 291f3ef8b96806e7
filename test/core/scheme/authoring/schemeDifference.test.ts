import { expect } from 'chai';
import { schemeDifferences } from '../../../../src/core/scheme/authoring/schemeDifference';
import type { Scheme, Step } from '../../../../src/core/scheme/model/definitions';
import { part, scheme, step } from '../../../support/units';

const base = step('basecoat', { id: 'base', paint: 'sea' });
const layer = step('layer', { id: 'layer', paint: 'foam', standard: 'table' });
const wash = step('wash', { id: 'wash', paint: 'tar' });
const coat = part('Coat', base, layer);
const hat = part('Hat', step('basecoat', { id: 'hat', paint: 'sand' }));
const before = scheme([coat, hat], [wash]);

const names = new Map([
  ['sea', 'Sea blue'],
  ['foam', 'Foam'],
  ['tide', 'Tide'],
]);
const since = (after: Scheme) => schemeDifferences(before, after, (id) => names.get(id) ?? id);
const words = (after: Scheme) => since(after).map(({ what }) => what);
const withLayer = (change: Partial<Step>): Scheme => ({ ...before, parts: [{ ...coat, steps: [base, { ...layer, ...change }] }, hat] });

describe('what is otherwise in a scheme', () => {
  it('is nothing when nothing is', () => expect(words(structuredClone(before))).to.deep.equal([]));

  it('names the paint that became another, and the step that would be painted again', () => {
    const [difference] = since(withLayer({ paint: 'tide' }));
    expect(difference).to.deep.include({ what: 'Coat, layer: Foam becomes Tide', repaint: { ...layer, paint: 'tide' } });
  });

  it('has painted models carry the old one where the work is another, and only there', () => {
    const repaints = (change: Partial<Step>) => since(withLayer(change)).some(({ repaint }) => repaint !== null);
    expect([{ technique: 'edge' as const }, { coats: 2 }, { paintFor: [{ option: 'a', paint: 'sea' }] }].map(repaints)).to.deep.equal([
      true,
      true,
      true,
    ]);
    expect([{ note: 'thin' }, { coverage: 0.3 }, { standard: 'full' as const }, { optional: true }].map(repaints)).to.deep.equal([
      false,
      false,
      false,
      false,
    ]);
  });

  it('tells parts and steps that came, went, moved or are called otherwise', () => {
    expect(words({ ...before, parts: [{ ...coat, name: 'Cape' }, hat] })).to.include('Coat is called Cape');
    expect(words({ ...before, parts: [coat] })).to.deep.equal(['Hat: removed', 'Hat, base coat: removed']);
    expect(words({ ...before, parts: [hat, coat] })).to.deep.equal(['the parts stand in another order']);
    expect(words({ ...before, parts: [{ ...coat, steps: [layer, base] }, hat] })).to.deep.equal(['Coat: the steps stand in another order']);
    expect(words({ ...before, parts: [coat, part('Belt', step('basecoat', { paint: 'tar' })), hat] })).to.deep.equal([
      'Belt: a new part',
      'Belt, base coat: new',
    ]);
    expect(words({ ...before, allOver: [] })).to.deep.equal(['Over everything, wash: removed']);
  });

  it('tells a mix that is mixed otherwise by the steps that use it', () => {
    const mix = (parts: number) => ({ id: 'm', name: 'Sea, lifted', of: [{ paint: 'sea', parts }], thin: null });
    const mixed = (parts: number): Scheme => ({ ...withLayer({ paint: null, mix: 'm' }), mixes: [mix(parts)] });
    expect(schemeDifferences(mixed(1), mixed(2), String).map(({ what }) => what)).to.deep.equal([
      'Coat, layer: Sea, lifted is mixed otherwise',
      'other mixes',
    ]);
  });
});
