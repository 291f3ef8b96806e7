import { expect } from 'chai';
import type { Mix } from '../../../../src/core/scheme/model/definitions';
import { lightnessOf } from '../../../../src/core/colour/difference';
import { potsOf, potsWith, withPots } from '../../../../src/core/scheme/model/pots';
import { paint } from '../../../support/units';

const mix = (id: string, of: Mix['of'], thin: Mix['thin'] = null): Mix => ({ id, name: id, of, thin });
const paints = new Map(
  [
    { ...paint('dark'), hex: '#000000', dryMinutes: 20 },
    { ...paint('light'), hex: '#ffffff' },
    { ...paint('brass', 'metallic'), hex: '#b08d3c' },
  ].map((each) => [each.id, each]),
);

describe('a mix as a pot', () => {
  const lifted = mix('lifted', [
    { paint: 'dark', parts: 2 },
    { paint: 'light', parts: 1 },
  ]);

  it('has a colour between its shares, the kind of the largest and the longest drying', () => {
    const pot = potsOf({ mixes: [lifted] }, paints).get('lifted')!;
    expect(lightnessOf(pot)).to.be.within(5, 50);
    expect(pot).to.include({ kind: 'opaque', dryMinutes: 20, name: 'lifted' });
    const shine = potsOf(
      {
        mixes: [
          mix('shine', [
            { paint: 'brass', parts: 3 },
            { paint: 'light', parts: 1 },
          ]),
        ],
      },
      paints,
    ).get('shine')!;
    expect(shine.kind).to.equal('metallic');
  });

  it('is the same pot in every scheme with the same recipe, whatever it is called and in whatever order it is written', () => {
    const again = mix('other name', [...lifted.of].reverse());
    const ids = [[lifted], [again]].map((mixes) => [...potsOf({ mixes }, paints).values()][0]!.id);
    expect(ids[0]).to.equal(ids[1]);
    expect([...withPots(paints, [{ mixes: [lifted] }, { mixes: [again] }]).keys()]).to.have.length(4);
    const thinned = potsOf({ mixes: [mix('thin', lifted.of, { with: 'water', parts: 1 })] }, paints).get('thin')!;
    expect(thinned.id).to.not.equal(ids[0]);
  });

  it('knows the mix that it is a little more of', () => {
    const twice = mix('twice', [
      { mix: 'lifted', parts: 3 },
      { paint: 'light', parts: 1 },
    ]);
    const pots = potsOf({ mixes: [twice, lifted] }, paints);
    expect(pots.get('twice')!.liftedFrom).to.deep.equal([pots.get('lifted')!.id]);
    expect(lightnessOf(pots.get('twice')!)).to.be.greaterThan(lightnessOf(pots.get('lifted')!));
  });
});

describe('a paint in mixes', () => {
  it('is found in mixes of mixes too', () => {
    const mixes = [
      mix('one', [{ paint: 'dark', parts: 1 }]),
      mix('two', [
        { mix: 'one', parts: 1 },
        { paint: 'light', parts: 1 },
      ]),
      mix('other', [{ paint: 'brass', parts: 1 }]),
    ];
    const pots = potsOf({ mixes }, paints);
    expect(potsWith({ mixes }, 'dark')).to.have.members([pots.get('one')!.id, pots.get('two')!.id]);
    expect(potsWith({ mixes }, 'light')).to.deep.equal([pots.get('two')!.id]);
  });
});
