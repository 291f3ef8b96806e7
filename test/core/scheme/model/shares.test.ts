import { expect } from 'chai';
import { addPart, changePart, changeStep } from '../../../../src/core/scheme/authoring/edits';
import { EMPTY_SCHEME } from '../../../../src/core/scheme/model/definitions';
import { coverageIn, followsPart, readPartName, shareName, usualDrying } from '../../../../src/core/scheme/model/shares';
import { normMinutes } from '../../../../src/core/time/fit/norms';
import { part, scheme, step } from '../../../support/units';

describe('how large parts are', () => {
  it('is read behind the name, as a word or a number, and otherwise belongs to the name', () => {
    expect(readPartName('Eye, dot')).to.deep.equal({ name: 'Eye', surface: 0.005 });
    expect(readPartName('Tongue, 2 %')).to.deep.equal({ name: 'Tongue', surface: 0.02 });
    expect(readPartName('Straps, left, Large')).to.deep.equal({ name: 'Straps, left', surface: 0.25 });
    for (const name of ['Coat', 'Straps, left', 'Hat, 0 %', 'Hat, 101 %', 'dot'])
      expect(readPartName(name)).to.deep.equal({ name, surface: null });
    expect([0.005, 0.03, 0.1, 0.25, 0.2].map(shareName)).to.deep.equal(['dot', 'small', 'medium', 'large', null]);
  });

  it('goes for the steps that follow it, and not for those set by hand', () => {
    const coat = {
      ...part(
        'Coat',
        step('basecoat', { id: 'b', coverage: 0.3 }),
        step('layer', { id: 'l', coverage: 0.1 }),
        step('edge', { id: 'e', coverage: 0.02 }),
      ),
      surface: 0.3,
    };
    expect(coat.steps.map((each) => followsPart(each, coat))).to.deep.equal([true, true, false]);
    const resized = changePart(scheme([coat]), coat.id, { surface: 0.06 }).parts[0]!;
    expect(resized.steps.map(({ coverage }) => coverage)).to.deep.equal([0.06, 0.02, 0.02]);
    // A highlight is a third of its part, a base coat all of it; what was set by hand stays.
    const again = changeStep(scheme([coat]), coat.id, 'l', { technique: 'basecoat' }).parts[0]!;
    expect(again.steps[1]!.coverage).to.equal(0.3);
    expect(changeStep(scheme([coat]), coat.id, 'e', { technique: 'basecoat' }).parts[0]!.steps[2]!.coverage).to.equal(0.02);
    expect(changeStep(scheme([coat]), coat.id, 'l', { technique: 'basecoat', coverage: 0.2 }).parts[0]!.steps[1]!.coverage).to.equal(0.2);
  });

  it('makes a dot of paint a matter of seconds, dry in minutes', () => {
    const eye = addPart(() => 'id', EMPTY_SCHEME, 'Eye, dot', 'foam').parts[0]!;
    expect(eye.name).to.equal('Eye');
    const [dot] = eye.steps;
    expect(dot!.coverage).to.equal(coverageIn('basecoat', eye)).and.to.equal(0.005);
    expect(normMinutes('basecoat', 'foot', dot!.coverage)).to.be.below(0.5);
    expect([usualDrying(dot!), usualDrying({ ...dot!, coverage: 0.02 })]).to.deep.equal([5, 15]);
    // A spray dries as a spray does.
    expect(usualDrying({ technique: 'prime', coverage: 0.005 })).to.equal(30);
  });
});
