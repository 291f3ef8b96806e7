import { expect } from 'chai';
import { alternatives } from '../../../../src/core/scheme/advice/alternatives';
import { modelsForStep } from '../../../../src/core/scheme/model/whoTakes';
import { ONLY_LEADERS, part, scheme, step, unit } from '../../../support/units';

describe('what another way of painting would cost', () => {
  const eyes = step('eyes', { ...ONLY_LEADERS, paint: 'white', coverage: 0.01 });
  const made = scheme(
    [
      part('Face', step('basecoat', { paint: 'skin', coverage: 0.1 }), eyes),
      part('Coat', step('basecoat', { paint: 'blue', coverage: 0.4, coats: 2 }), step('edge', { paint: 'sky', coverage: 0.1 })),
      part(
        'Bag',
        step('basecoat', { paint: 'skin', coverage: 0.1, optional: true }),
        step('layer', { standard: 'display', coverage: 0.2 }),
      ),
    ],
    [step('prime')],
    { leaders: 1 },
  );
  const ten = unit('ten', [], [], { promised: 10, scheme: made });
  // A minute for each whole model, whatever is done; a dry brush takes half.
  const ways = alternatives(made, 'table', (each) => {
    const speed = each.technique === 'drybrush' ? 0.5 : 1;
    return each.coats * each.coverage * speed * modelsForStep(ten, each).length;
  });
  const minutes = (words: RegExp) => ways.find(({ what }) => words.test(what))?.minutes;

  it('asks for one more highlight where there is one within the standard', () => {
    expect(minutes(/^Another highlight on the 1 part/)).to.be.closeTo(0.5, 1e-9);
  });
  it('asks for a dry brush over half as much again', () => expect(minutes(/Dry brush/)).to.be.closeTo(0.75 - 1, 1e-9));
  it('asks for one colour less, base coats aside', () =>
    expect(minutes(/^One colour less: no edge line on the coat/)).to.be.closeTo(-1, 1e-9));
  it('asks for eyes on all', () => expect(minutes(/^Eyes on every model/)).to.be.closeTo(0.09, 1e-9));
  it('asks for eyes that the standard leaves out as something more', () => {
    const face = part('Face', step('eyes', { standard: 'full', coverage: 0.1 }));
    const asked = alternatives(scheme([face], [], { leaders: 1 }), 'table', (each) => (each.for === null ? 10 : 1));
    expect(asked).to.deep.equal([
      { what: 'Eyes on the leaders alone', minutes: 1 },
      { what: 'Eyes on every model', minutes: 10 },
    ]);
  });
  it('counts what may be left out', () => expect(minutes(/left out/)).to.be.closeTo(-1, 1e-9));
  it('asks nothing that cannot be', () => expect(alternatives(scheme([]), 'display', () => 1)).to.deep.equal([]));
});
