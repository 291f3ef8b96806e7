import { expect } from 'chai';
import { completeLine } from '../../../../../src/core/formats/scheme/typed/completeLine';
import type { KnownNames } from '../../../../../src/core/formats/scheme/typed/definitions';
import { newTechnique } from '../../../../../src/core/scheme/authoring/ownTechnique';
import { paint } from '../../../../support/units';

const named = (id: string, name: string) => ({ ...paint(id), name });
const known: KnownNames = {
  paints: [named('sea', 'Sea blue'), named('foam', 'Foam'), named('deep', 'Deep sea')],
  common: [named('c', 'Sand')],
  mixes: [{ id: 'm', name: 'Sea lifted', of: [], thin: null }],
  techniques: [newTechnique('own', 'Dust smear', 'drybrush')],
  who: [{ id: 'boss', name: 'leader' }],
  parts: ['Coat', 'Cuffs'],
};
/** The caret stands at the bar. */
const offered = (text: string) => {
  const caret = text.indexOf('|');
  const whole = text.replace('|', '');
  const { from, options } = completeLine(whole, caret, known);
  return options.map((option) => whole.slice(0, from) + option.text + whole.slice(caret));
};

describe('what may be meant by what is typed', () => {
  it('offers parts, everything, and how large they are', () => {
    expect(offered('c|')).to.deep.equal(['Coat', 'Cuffs']);
    expect(offered('Ov|')).to.deep.equal(['Over everything']);
    expect(offered('Eye, d|')).to.deep.equal(['Eye, dot']);
    expect(offered('Everything but cu|')).to.deep.equal(['Everything but Cuffs']);
    expect(offered('Over Coat and cu|')).to.deep.equal(['Over Coat and Cuffs']);
  });

  it('offers techniques, the painter’s own among them', () => {
    expect(offered('Coat: du|')).to.deep.equal(['Coat: dust smear']);
    expect(offered('Coat: base Foam, ed|')).to.deep.equal(['Coat: base Foam, edge line']);
    expect(offered('Coat: lin|')).to.deep.equal(['Coat: edge line', 'Coat: dark lining']);
  });

  it('offers what is on the shelf before mixes and common colours, and words within a name last', () => {
    expect(offered('Coat: base s|')).to.deep.equal([
      'Coat: base Sea blue',
      'Coat: base Sea lifted',
      'Coat: base Sand',
      'Coat: base Deep sea',
    ]);
    expect(offered('Coat: base 2 Foam + sa|')).to.deep.equal(['Coat: base 2 Foam + Sand']);
  });

  it('offers coats and for whom behind a whole name', () => {
    expect(offered('Coat: base Sea blue x|')).to.deep.equal(['Coat: base Sea blue x2', 'Coat: base Sea blue x3']);
    expect(offered('Coat: base Foam f|')).to.deep.equal(['Coat: base Foam for leader']);
    expect(offered('Coat: base Foam without le|')).to.deep.equal(['Coat: base Foam without leader']);
  });

  it('is silent before a letter, at a whole word, and where no paint is taken', () => {
    for (const text of ['|', 'Coat: |', 'Coat: base |', 'Coat: base Foam|', 'Coat|', 'Coat: pack s|'])
      expect(offered(text), text).to.deep.equal([]);
  });

  it('goes by the line that the caret is in', () => {
    expect(offered('Coat: base Foam\ncu|\nBoots: base Foam')).to.deep.equal(['Coat: base Foam\nCuffs\nBoots: base Foam']);
  });
});
