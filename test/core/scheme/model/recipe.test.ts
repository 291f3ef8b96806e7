import { expect } from 'chai';
import { benchLine } from '../../../../src/core/bench/guide/benchLine';
import { potIdsOf, withPots } from '../../../../src/core/scheme/model/pots';
import { mixTexts, recipeOf } from '../../../../src/core/scheme/model/recipe';
import { paint, part, roster, scheme, step, unit } from '../../../support/units';

const paints = new Map(['sea', 'foam'].map((id) => [id, { ...paint(id), name: id === 'sea' ? 'Sea blue' : 'Foam' }]));
const mixes = [
  {
    id: 'lifted',
    name: 'Sea, lifted',
    of: [
      { paint: 'sea', parts: 1 },
      { paint: 'foam', parts: 0.5 },
    ],
    thin: { with: 'water' as const, parts: 0.5 },
  },
  {
    id: 'again',
    name: 'Sea, lifted again',
    of: [
      { mix: 'lifted', parts: 3 },
      { paint: 'gone', parts: 1 / 3 },
    ],
    thin: null,
  },
];

describe('a recipe', () => {
  const pots = potIdsOf({ mixes });
  const texts = mixTexts({ mixes }, paints);

  it('is told in whole drops, the fewest that are, with what thins it and the mix that it goes on from', () => {
    expect(texts.get(pots.get('lifted')!)).to.equal('2 drops Sea blue, 1 drop Foam, 1 drop water');
    expect(texts.get(pots.get('again')!)).to.equal('9 drops Sea, lifted, 1 drop a paint that is gone');
  });

  it('says how strong it is and what was noted, and nothing where nobody said anything', () => {
    expect(recipeOf({ strength: ' 1:1 with medium ', note: 'thin' }, pots.get('lifted')!, texts)).to.deep.equal([
      '2 drops Sea blue, 1 drop Foam, 1 drop water',
      '1:1 with medium',
      'thin',
    ]);
    expect(recipeOf({ strength: '', note: ' ' }, 'sea', texts)).to.deep.equal([]);
  });

  it('is at hand at the bench for each pot of a pass', () => {
    const options = [
      { id: 'tan', name: 'tan', models: [1, 2, 3] },
      { id: 'tar', name: 'tar', models: [4, 5, 6] },
    ];
    const coat = step('basecoat', { id: 'coat', paint: 'sea', strength: 'milk', paintFor: [{ option: 'tar', mix: 'lifted' }] });
    const of = unit('Keepers', [part('Coat', coat)], [], {
      scheme: scheme([part('Coat', coat)], [], { mixes, variants: [{ id: 'boots', name: 'Boots', options }] }),
    });
    const line = benchLine(roster([of], { paints: withPots(paints, [of.scheme]) }), []);
    expect(line.passes[0]!.dips.map(({ recipe }) => recipe)).to.deep.equal([
      ['milk'],
      ['2 drops Sea blue, 1 drop Foam, 1 drop water', 'milk'],
    ]);
  });
});
