import { expect } from 'chai';
import fc from '../../support/property';
import { coatKey, coatOfJob, jobKey, readCoatKey } from '../../../src/core/kernel/ids';
import { halfOfId, idOfHalf, idsOfStep, stepOfKey } from '../../../src/core/scheme/model/halves';
import { passKey } from '../../../src/core/scheme/passes/passes';

/** Ids as files may bring them. */
const stepId = fc.stringMatching(/^[A-Za-z0-9_.:#@+-]{1,40}$/);
const potId = fc.stringMatching(/^[A-Za-z0-9_.-]{1,40}$/);
const coat = fc.integer({ min: 1, max: 99 });
const half = fc.constantFrom('fronts', 'backs', 'fill', 'edges', null);

describe('ids that are made of others', () => {
  it('are read as they were written', () => {
    fc.assert(
      fc.property(stepId, coat, fc.integer({ min: 1, max: 500 }), fc.option(potId), (step, number, tray, pot) => {
        const key = coatKey(step, number);
        expect(readCoatKey(key)).to.deep.equal({ step, coat: number });
        expect(coatOfJob(jobKey(key, tray, pot))).to.equal(key);
      }),
    );
  });

  it('lead from a half of a coat back to its step', () => {
    fc.assert(
      fc.property(
        stepId.filter((id) => halfOfId(id).half === null),
        coat,
        half,
        (step, number, of) => {
          expect(stepOfKey(passKey(step, number, of))).to.equal(step);
          expect(idsOfStep(idOfHalf(step, of)))
            .to.include(step)
            .and.to.include(idOfHalf(step, of));
          expect(new Set(idsOfStep(idOfHalf(step, of)))).to.deep.equal(new Set(idsOfStep(step)));
        },
      ),
    );
  });

  it('look as the formats say', () => {
    expect(jobKey(passKey('wash', 2), 3, 'sepia')).to.equal('wash#2@3:sepia');
    expect(jobKey(passKey('coat', 1, 'backs'), 1)).to.equal('coat.backs#1@1');
  });
});
