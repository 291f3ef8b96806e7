import { expect } from 'chai';
import { rowHours, unknownWork } from '../../../src/core/money/rowHours';
import { stretchMinutes } from '../../../src/core/time/fit/learningCurve';
import type { StepCurve } from '../../../src/core/time/definitions';
import { ahead, logged } from '../../support/time';

/** Three minutes a model, the first as quick as the last. */
const even: StepCurve = { level: 3, slope: 0, leaders: 1, practised: 0 };
const model = (curve: StepCurve = even) => ({ curve: () => curve });
const open = { open: 'late', minutes: 0 } as const;

describe('rows of the log as work', () => {
  it('count at the minutes that are known, as measured or as corrected, with their set-ups', () => {
    const rows = [logged(1, { minutes: 25, setupMinutes: 4 }), logged(1, { ...open, correctedMinutes: 8 })];
    expect(rowHours(rows, model())).to.deep.equal([
      { row: rows[0], handsOn: 25, setUp: 4, isKnown: true },
      { row: rows[1], handsOn: 8, setUp: 0, isKnown: true },
    ]);
  });

  it('count at the estimate where nobody knows the time, by how much of a coat each model gets', () => {
    const [whole, half] = rowHours([logged(1, open), logged(1, { ...open, effort: 0.5, weight: 5 })], model());
    expect(whole).to.include({ handsOn: 30, isKnown: false });
    expect(half, 'ten models at half a coat each').to.include({ handsOn: 15, isKnown: false });
  });

  it('were painted all the same where the painter left them out, at the estimate and without a set-up', () => {
    const [row] = rowHours([logged(1, { minutes: 400, setupMinutes: 90, verdict: 'left out' })], model());
    expect(row).to.include({ handsOn: 30, setUp: 0, isKnown: false });
  });

  it('get quicker by what was painted of the same step before, and of no other', () => {
    const curve = { ...even, slope: 0.3 };
    const rows = [logged(1, { part: 'Cap', models: 50 }), logged(1, { models: 6 }), logged(1, { ...open, models: 4 })];
    const [, , last] = rowHours(rows, model(curve));
    expect(last!.handsOn).to.be.closeTo(stretchMinutes(curve, ahead(6, 4)), 1e-9);
  });

  it('tell how much of the work is not known', () => {
    const rows = [logged(1, { minutes: 25 }), logged(1, open), logged(1, { ...open, models: 2 })];
    const unknown = unknownWork(rowHours(rows, model()));
    expect(unknown.steps).to.equal(12);
    expect(unknown.minutes).to.be.closeTo(36, 1e-9);
    expect(unknownWork(rowHours(rows.slice(0, 1), model()))).to.deep.equal({ steps: 0, minutes: 0 });
  });
});
