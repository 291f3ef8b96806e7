import { expect } from 'chai';
import { copyScheme } from '../../../../src/core/scheme/authoring/copyScheme';
import { likeOf, ownStep } from '../../../../src/core/scheme/model/lineage';
import { adoptScheme } from '../../../../src/core/scheme/authoring/adoptScheme';
import { repainted } from '../../../../src/core/scheme/authoring/recolour';
import type { Scheme } from '../../../../src/core/scheme/model/definitions';
import { paint, part, scheme, step } from '../../../support/units';
import { inARow } from '../../../../src/core/scheme/authoring/dealOut';

const shelf = [paint('red'), paint('blue'), paint('brass', 'metallic')];
const paints = new Map(shelf.map((each) => [each.id, each]));
const given = scheme([part('coat', step('basecoat', { id: 's1', paint: 'red' }))], [step('wash', { id: 's2', paint: 'blue' })]);
let count = 0;
const ids = () => () => `new ${++count}`;
const stepOf = ({ parts }: Scheme) => parts[0]!.steps[0]!;

describe('the lineage of a step', () => {
  const copy = copyScheme(given, ids());

  it('goes back to the step it was copied from, and on to the first of them', () => {
    expect(likeOf(stepOf(copy), paints)).to.equal('s1');
    expect(likeOf(copy.allOver[0]!, paints)).to.equal('s2');
    const again = copyScheme(copy, ids());
    expect(stepOf(again).id).to.not.equal(stepOf(copy).id);
    expect(likeOf(stepOf(again), paints)).to.equal('s1');
    expect(likeOf(stepOf(given), paints)).to.equal(null);
  });

  it('is kept where a scheme of the library or of a file is taken, in other colours too', () => {
    const { scheme: adopted } = adoptScheme({ scheme: given, paints: shelf }, shelf, inARow(8), ids());
    expect(likeOf(stepOf(adopted), paints)).to.equal('s1');
    expect(likeOf(stepOf(repainted(adopted, () => 'blue')), paints)).to.equal('s1');
  });

  it('ends with another technique or another kind of paint, and is there again when that is taken back', () => {
    const own = stepOf(copy);
    expect(likeOf({ ...own, technique: 'layer' }, paints)).to.equal(null);
    expect(likeOf({ ...own, paint: 'brass' }, paints)).to.equal(null);
    expect(likeOf({ ...own, paint: 'blue' }, paints)).to.equal('s1');
    expect(likeOf(own, paints)).to.equal('s1');
    const otherWork = copyScheme({ ...copy, parts: [{ ...copy.parts[0]!, steps: [{ ...own, technique: 'layer' }] }] }, ids());
    expect(likeOf(stepOf(otherWork), paints)).to.equal(own.id);
  });

  it('is not that of a step put beside it in the same unit', () => {
    expect(likeOf(ownStep(stepOf(copy), 'beside'), paints)).to.equal(null);
  });
});
