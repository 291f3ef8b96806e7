import { expect } from 'chai';
import fc from '../../support/property';
import { underLampHex } from '../../../src/core/colour/lamp';
import { differenceOf, labOf } from '../../../src/core/colour/difference';
import { linearOf } from '../../../src/core/colour/linearRgb';
import { colourShares } from '../../../src/core/paint/armsLength';
import { EMPTY_SCHEME } from '../../../src/core/scheme/model/definitions';
import { paint, part, step } from '../../support/units';
import { anyScheme, SHELF } from '../../support/anyScheme';

const pots = new Map(['sea', 'foam', 'rust', 'primer'].map((id) => [id, paint(id)]));
const potOf = ({ paint: id }: { paint: string | null }) => pots.get(id ?? '') ?? null;

describe('a unit at arm’s length', () => {
  it('has each colour by the surface that nothing later covers', () => {
    const coat = { ...part('coat', step('basecoat', { id: 'b', paint: 'sea', coverage: 0.5 }), step('layer', { id: 'l', paint: 'foam', coverage: 0.2, standard: 'quick' }), step('wash', { id: 'w', paint: 'rust', coverage: 0.5 })), surface: 0.5 }; // prettier-ignore
    const scheme = { ...EMPTY_SCHEME, parts: [coat], allOver: [step('prime', { id: 'p', paint: 'primer', coverage: 1 })] };
    const shares = colourShares(scheme, 'quick', potOf).map(({ potId, share }) => [potId, Math.round(share * 1000) / 1000]);
    expect(shares).to.deep.equal([
      ['primer', 0.5],
      ['sea', 0.3],
      ['foam', 0.2],
    ]);
  });

  it('is the whole model, whatever the scheme', () => {
    const shelf = new Map(SHELF.map((each) => [each.id, each]));
    fc.assert(
      fc.property(anyScheme(), ({ scheme }) => {
        const shares = colourShares(scheme, 'display', ({ paint: id }) => shelf.get(id ?? '') ?? null);
        if (shares.length > 0) expect(shares.reduce((sum, { share }) => sum + share, 0)).to.be.closeTo(1, 1e-9);
        for (const { share } of shares) expect(share).to.be.above(0);
      }),
    );
  });
});

describe('a colour under a lamp', () => {
  it('is warmer, keeps black, and hardly moves a grey away from grey', () => {
    const [r, , b] = linearOf(underLampHex('#d0d0d0'));
    expect(r).to.be.above(b);
    expect(underLampHex('#000000')).to.equal('#000000');
    // A blue loses more than an orange.
    const moved = (hex: string) => labOf(underLampHex(hex)).l - labOf(hex).l;
    expect(moved('#2050c0')).to.be.below(moved('#d07020'));
    expect(differenceOf(labOf(underLampHex('#808080')), labOf('#808080'))).to.be.below(12);
  });
});
