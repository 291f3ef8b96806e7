import { expect } from 'chai';
import { toldApart } from '../../../src/core/paint/closeEnough';

describe('close enough', () => {
  it('is what nobody sees, what is seen side by side, and what is seen anywhere', () => {
    expect([0, 1, 1.01, 5, 5.01, 40].map(toldApart)).to.deep.equal(['never', 'never', 'side by side', 'side by side', 'always', 'always']);
  });
});
