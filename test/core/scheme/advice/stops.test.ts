import { expect } from 'chai';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { stepsUntil } from '../../../../src/core/scheme/advice/stops';
import { part, step, unit } from '../../../support/units';

describe('a stop set by hand', () => {
  const base = step('basecoat', { id: 'base', coats: 2 });
  const layer = step('layer', { id: 'layer', faces: 'fronts then backs' });
  const edge = step('edge', { id: 'edge' });
  const cap = step('basecoat', { id: 'cap' });
  const figure = unit(
    'figure',
    [part('Coat', base, layer, edge), part('Cap', cap)],
    [step('prime', { id: 'prime' }), step('wash', { id: 'wash' })],
  );
  const until = (...steps: string[]) => [...stepsUntil({ steps }, figure, 'full', new Map(), DEFAULT_HOUSE_RULES)].sort();

  it('has everything done that must stand before its steps', () => {
    expect(until('layer')).to.deep.equal(['base', 'cap', 'layer', 'prime', 'wash']);
    expect(until('base')).to.deep.equal(['base', 'prime']);
  });
  it('joins the steps that it names', () => expect(until('base', 'cap')).to.deep.equal(['base', 'cap', 'prime']));
  it('has nothing of a step that is not planned', () => expect(until('gone')).to.deep.equal([]));
});
