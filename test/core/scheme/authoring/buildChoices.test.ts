import { expect } from 'chai';
import { cleaningOf, CLEANINGS, gluedLaterOf, withCleaning, withGluedLater } from '../../../../src/core/scheme/authoring/buildChoices';
import { part, scheme, step } from '../../../support/units';

let ids = 0;
const newId = () => `new${++ids}`;
const idOf = (place: number) => `clean${place}`;

describe('what is decided at the build', () => {
  const plain = scheme([part('Coat', step('basecoat', { paint: 'red' }))], [step('prime')], { leaders: 1 });

  it('says how models are cleaned as steps of the scheme, and reads it back', () => {
    for (const cleaning of CLEANINGS) {
      const cleaned = withCleaning(plain, cleaning, idOf);
      expect(cleaningOf(cleaned)).to.equal(cleaning);
      expect(cleaned.allOver.at(-1)!.technique).to.equal('prime');
    }
  });

  it('keeps the step when it becomes more thorough, so that its marks stay', () => {
    const seen = withCleaning(plain, 'what is seen from above', idOf);
    const round = withCleaning(seen, 'all round', idOf);
    expect(round.allOver[0]!.id).to.equal(seen.allOver[0]!.id);
    expect(round.allOver[0]!.coverage).to.be.greaterThan(seen.allOver[0]!.coverage);
  });

  it('leaves cleaning alone that the scheme says in a way of its own', () => {
    const own = scheme([], [step('clean', { for: { only: ['leaders'] } }), step('clean'), step('clean')]);
    expect(cleaningOf(own)).to.equal('other');
    expect(withCleaning(own, 'other', idOf)).to.equal(own);
  });

  it('glues a part on behind its paint, a new one with a base coat to be named', () => {
    const later = withGluedLater(plain, ['coat', 'Lantern'], newId);
    expect(gluedLaterOf(later)).to.deep.equal(['Coat', 'Lantern']);
    expect(later.parts[0]!.steps.map((each) => each.technique)).to.deep.equal(['basecoat', 'assemble']);
    expect(later.parts[1]!.steps[0]).to.include({ technique: 'basecoat', paint: null });
    expect(withGluedLater(later, gluedLaterOf(later), newId)).to.deep.equal(later);
  });

  it('takes it back without losing what was painted', () => {
    const later = withGluedLater(plain, ['Coat', 'Lantern'], newId);
    expect(withGluedLater(later, [], newId)).to.deep.equal(plain);
  });
});
