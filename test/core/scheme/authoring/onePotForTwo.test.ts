import { expect } from 'chai';
import { withOnePot } from '../../../../src/core/scheme/authoring/onePotForTwo';
import type { Mix, Scheme } from '../../../../src/core/scheme/model/definitions';
import { potIdsOf } from '../../../../src/core/scheme/model/pots';
import { part, step, unit } from '../../../support/units';

const mix = (id: string, ...of: Mix['of']): Mix => ({ id, name: id, of, thin: null });
const sea = mix('sea', { paint: 'blue', parts: 3 }, { paint: 'green', parts: 1 });
const foam = mix('foam', { mix: 'sea', parts: 1 }, { paint: 'white', parts: 1 });
const schemeOf = (mixes: Mix[], ...dips: { paint?: string; mix?: string }[]): Scheme => ({
  ...unit(
    'u',
    dips.map((dip, index) => part(`part ${index}`, step('basecoat', { id: `s${index}`, paint: null, ...dip }))),
  ).scheme,
  mixes,
});
const potOf = (scheme: Pick<Scheme, 'mixes'>, id: string) => potIdsOf(scheme).get(id)!;
const dips = ({ parts }: Scheme) => parts.map(({ steps: [only] }) => only!.paint ?? `mix ${only!.mix}`);

describe('one pot in place of another', () => {
  it('takes a paint where a mix was, in steps, for options and in other mixes, and drops the mix', () => {
    const before = schemeOf([sea, foam], { mix: 'sea' }, { mix: 'foam' }, { paint: 'green' });
    before.parts[2]!.steps[0]!.paintFor = [{ option: 'squad', mix: 'sea' }];
    const after = withOnePot(before, 'teal', potOf(before, 'sea'), []);
    expect(dips(after)).to.deep.equal(['teal', 'mix foam', 'green']);
    expect(after.parts[2]!.steps[0]!.paintFor).to.deep.equal([{ option: 'squad', paint: 'teal' }]);
    expect(after.mixes).to.deep.equal([mix('foam', { paint: 'teal', parts: 1 }, { paint: 'white', parts: 1 })]);
  });

  it('brings a mix of another scheme with all it is made of', () => {
    const other = schemeOf([foam, sea], { mix: 'foam' });
    const before = schemeOf([mix('pale', { paint: 'grey', parts: 1 }, { paint: 'blue', parts: 2 })], { mix: 'pale' });
    const after = withOnePot(before, potOf(other, 'foam'), potOf(before, 'pale'), [before, other]);
    expect(dips(after)).to.deep.equal(['mix foam']);
    expect(after.mixes.map(({ id }) => id)).to.deep.equal(['sea', 'foam']);
    expect(potOf(after, 'foam')).to.equal(potOf(other, 'foam'));
  });

  it('gives what it brings another id where the scheme has one of that id', () => {
    const other = schemeOf([sea], { mix: 'sea' });
    const before = schemeOf([mix('sea', { paint: 'red', parts: 1 }, { paint: 'blue', parts: 1 })], { paint: 'teal' }, { mix: 'sea' });
    const after = withOnePot(before, potOf(other, 'sea'), 'teal', [other]);
    const [first] = dips(after);
    expect(first).to.equal(`mix ${potOf(other, 'sea')}`);
    expect(potOf(after, potOf(other, 'sea'))).to.equal(potOf(other, 'sea'));
    expect(dips(after)[1]).to.equal('mix sea');
  });

  it('leaves what the kept mix is made of, so that no mix is made of itself', () => {
    const before = schemeOf([sea, foam], { mix: 'sea' }, { mix: 'foam' });
    const after = withOnePot(before, potOf(before, 'foam'), potOf(before, 'sea'), []);
    expect(dips(after)).to.deep.equal(['mix foam', 'mix foam']);
    expect(after.mixes).to.deep.equal([sea, foam]);
  });

  it('changes nothing where the other is not taken, or is the same', () => {
    const before = schemeOf([sea], { mix: 'sea' });
    expect(withOnePot(before, 'teal', 'red', [])).to.deep.equal(before);
    expect(withOnePot(before, 'teal', 'mix-of-another', [])).to.deep.equal(before);
    expect(withOnePot(before, potOf(before, 'sea'), potOf(before, 'sea'), [])).to.equal(before);
    const other = schemeOf([mix('pale', { paint: 'grey', parts: 1 }, { paint: 'blue', parts: 2 })], { mix: 'pale' });
    expect(withOnePot(before, potOf(other, 'pale'), 'red', [other]), 'brings no mix that nothing takes').to.deep.equal(before);
  });
});
