import { expect } from 'chai';
import { partWords, placeWords, workOnWords, workWords } from '../../../../src/core/scheme/model/workWords';

describe('words for a piece of work', () => {
  it('name the part, or everything, alone and in a sentence', () => {
    expect([partWords('Coat'), partWords(null), partWords('')]).to.deep.equal(['coat', 'everything', 'everything']);
    expect([placeWords('Coat'), placeWords(null), placeWords('')]).to.deep.equal(['coat', 'over everything', 'over everything']);
    expect(workWords({ technique: 'wash' }, null, 'Bog wash')).to.equal('Wash Bog wash, over everything');
    expect(workWords({ technique: 'basecoat' }, 'Coat')).to.equal('Base coat, coat');
    expect(workOnWords({ technique: 'basecoat' }, null)).to.equal('Base coat on everything');
  });
});
