import { expect } from 'chai';
import { addRecipe } from '../../../../src/core/scheme/authoring/addRecipe';
import { colourSlots, repainted } from '../../../../src/core/scheme/authoring/recolour';
import { paint, part, scheme, step } from '../../../support/units';

const mix = {
  id: 'm',
  name: 'Lifted',
  of: [
    { paint: 'red', parts: 2 },
    { paint: 'bone', parts: 1 },
  ],
  thin: null,
};
const source = scheme(
  [
    part('Coat', step('basecoat', { paint: 'red' }), step('layer', { mix: 'm' })),
    part('Boots', step('basecoat', { paint: 'tan', paintFor: [{ option: 'dark', paint: 'tar' }] })),
  ],
  [step('wash', { paint: 'tar' })],
  { mixes: [mix] },
);

describe('a scheme used again', () => {
  it('has a slot for every colour, with all it is used for', () => {
    const slots = colourSlots({ scheme: source, paints: ['red', 'bone', 'tan', 'tar'].map((id) => paint(id)) });
    expect(slots.map((slot) => [slot.paint.id, slot.uses])).to.deep.equal([
      ['red', ['Coat: base coat', 'mix Lifted']],
      ['tan', ['Boots: base coat']],
      ['tar', ['Boots: base coat', 'over everything: wash']],
      ['bone', ['mix Lifted']],
    ]);
  });

  it('changes one colour wherever it is, in mixes and for some models too', () => {
    const other = repainted(source, (id) => ({ red: 'green', tar: 'umber' })[id] ?? id);
    expect(JSON.stringify(other)).not.to.match(/"red"|"tar"/);
    expect(other.mixes[0]!.of[0]).to.deep.equal({ paint: 'green', parts: 2 });
    expect(other.allOver[0]!.paint).to.equal('umber');
    expect(other.parts.map((each) => each.id)).to.deep.equal(source.parts.map((each) => each.id));
  });

  it('adds a recipe without mistaking its mixes for those that are there', () => {
    const here = scheme([part('Cape', step('layer', { mix: 'm' }))], [], { mixes: [{ ...mix, of: [{ paint: 'blue', parts: 1 }] }] });
    const both = addRecipe(here, source, () => 'fresh');
    expect(both.mixes.map(({ id }) => id)).to.deep.equal(['m', 'fresh']);
    expect(both.parts.map((each) => each.steps.at(-1)!.mix)).to.deep.equal(['m', 'fresh', null]);
    expect(both.allOver).to.deep.equal([]);
  });
});
