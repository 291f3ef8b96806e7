import { expect } from 'chai';
import { hasOpenCount, includesStandard, modelsOf } from '../../../../src/core/scheme/model/definitions';
import { TECHNIQUES, allowsCountdown, cautionOf, factsOf } from '../../../../src/core/scheme/model/techniques';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { modelsForStep } from '../../../../src/core/scheme/model/whoTakes';
import { explainEstimate } from '../../../../src/core/time/answer/explainEstimate';
import { BUT_LEADERS, ONLY_LEADERS, part, step, unit } from '../../../support/units';

describe('counting models', () => {
  const counted = (promised: number, found: number | null, countNote = '') => ({ promised, owned: 0, counted: found, countNote });
  it('believes the box once it is counted', () => {
    expect(modelsOf(counted(10, null))).to.equal(10);
    expect(modelsOf(counted(10, 9))).to.equal(9);
  });
  it('leaves out what is owned or not needed', () => {
    expect(modelsOf({ ...counted(10, null), owned: 3 })).to.equal(7);
    expect(hasOpenCount({ ...counted(10, 7), owned: 3 })).to.equal(false);
    expect(hasOpenCount({ ...counted(10, 10), owned: 3 })).to.equal(true);
  });
  it('keeps a difference open until it is settled', () => {
    expect(
      [counted(10, null), counted(10, 10), counted(10, 9), counted(10, 11), counted(10, 9, 'one follows'), counted(10, 9, '  ')].map(
        hasOpenCount,
      ),
    ).to.deep.equal([false, false, true, true, false, true]);
  });
});

describe('passes', () => {
  it('come in the order of the scheme, a coat at a time, and only with models', () => {
    const coat = step('basecoat', { coats: 2 });
    const badge = step('detail', { ...ONLY_LEADERS });
    const wash = step('wash');
    const of = (leaders: number) =>
      passesOf(unit('a', [part('coat', coat), part('badge', badge)], [wash], { leaders }), 'table', DEFAULT_HOUSE_RULES).map(
        (pass) => pass.key,
      );
    expect(of(1)).to.deep.equal([`${coat.id}#1`, `${coat.id}#2`, `${badge.id}#1`, `${wash.id}#1`]);
    expect(of(0)).to.not.include(`${badge.id}#1`);
  });

  it('are for all, for the leaders, or for the others', () => {
    const some = unit('a', [], [], { promised: 4, counted: 3, leaders: 1 });
    expect([{ for: null }, ONLY_LEADERS, BUT_LEADERS].map((whom) => modelsForStep(some, whom))).to.deep.equal([[1, 2, 3], [1], [2, 3]]);
  });

  it('belong to a standard and all above it', () => {
    expect(includesStandard('table', 'quick')).to.equal(true);
    expect(includesStandard('table', 'table')).to.equal(true);
    expect(includesStandard('table', 'full')).to.equal(false);
  });
});

describe('techniques', () => {
  it('warn wherever a can, an airbrush, a knife or powder is used, and defer to the label', () => {
    for (const technique of ['prime', 'varnish', 'airbrush', 'clean', 'assemble', 'pigment', 'pinwash', 'streak'] as const) {
      expect(factsOf(technique).caution, technique).to.match(/label and local rules come first/i);
    }
  });
  it('run no countdown with a knife or a spray in the hand', () => {
    expect(TECHNIQUES.filter((technique) => !allowsCountdown(technique))).to.deep.equal(['clean', 'prime', 'airbrush', 'varnish']);
  });
  it('are picked up no later than they are painted over', () => {
    for (const technique of TECHNIQUES) expect(factsOf(technique).handleMinutes, technique).to.be.at.most(factsOf(technique).dryMinutes);
  });
});

describe('the reason of an estimate', () => {
  const why = (p50: number, modelsHere: number, modelsOfTechnique: number, isLogged = true) =>
    explainEstimate(p50, { normMinutes: 2, modelsHere, modelsOfTechnique, isLogged });
  it('says what it rests on and how it stands to the norm', () => {
    expect(why(2.02, 0, 0, false)).to.equal('Nothing logged yet: our default.');
    expect(why(2.2, 0, 0)).to.equal('This technique is not logged yet; your pace elsewhere: 10 % slower than the norm.');
    expect(why(1.8, 0, 62)).to.equal('None of this step logged yet, 62 models of this technique elsewhere: 10 % faster than the norm.');
    expect(why(2.02, 1, 8)).to.equal('1 model of this step logged, 8 of this technique: about the norm.');
  });
});

describe('what to mind', () => {
  it('goes by the technique and by what is on the brush', () => {
    expect(cautionOf({ technique: 'pinwash' }, null)).to.match(/solvent/);
    expect(cautionOf({ technique: 'pinwash' }, 'effect')).to.match(/solvent/);
    expect(cautionOf({ technique: 'pinwash' }, 'wash')).to.equal(null);
    expect(cautionOf({ technique: 'glaze' }, 'effect')).to.match(/solvent/);
    expect(cautionOf({ technique: 'wash' }, 'powder')).to.match(/dust mask/);
    // A can stays a can, whatever is in it.
    for (const kind of [null, 'primer', 'effect', 'powder'] as const)
      expect(cautionOf({ technique: 'prime' }, kind)).to.match(/respirator/);
    expect(cautionOf({ technique: 'basecoat' }, 'ink')).to.equal(null);
  });
});
