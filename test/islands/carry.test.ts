import { expect } from 'chai';
import { heldOver, minuteOfPlace, stepped, type Carry } from '../../src/islands/Line/chart/useCarry';
import { smallLine } from '../support/line';

const { plan } = smallLine();
/** The job at place 3 may go before those at 1, 2, 5 and 6. */
const carry = (over: number): Carry => ({
  from: 3,
  end: 4,
  over,
  places: [1, 2, 5, 6].map((to) => ({ to, minutes: to, bench: to, finish: to, late: 0 })),
});
const overAfter = (start: number, ...steps: (1 | -1)[]) => steps.reduce<Carry>(stepped, carry(start)).over;

describe('carrying a job', () => {
  it('steps to the nearest place on either side first', () => {
    expect(overAfter(-1, 1)).to.equal(2);
    expect(overAfter(-1, -1)).to.equal(1);
  });

  it('goes on to the ends and stays there', () => {
    expect(overAfter(-1, 1, 1, 1, 1)).to.equal(3);
    expect(overAfter(-1, -1, -1, -1)).to.equal(0);
  });

  it('comes by where it was picked up on the way across', () => {
    expect(overAfter(2, -1)).to.equal(-1);
    expect(overAfter(2, -1, -1)).to.equal(1);
    expect(overAfter(1, 1, 1)).to.equal(2);
  });

  it('has nowhere to go without places', () => {
    expect(stepped({ ...carry(-1), places: [] }, 1).over).to.equal(-1);
    expect(stepped({ ...carry(-1), places: null }, -1).over).to.equal(-1);
    expect(heldOver({ ...carry(-1), places: null }, plan, 0).over).to.equal(-1);
  });

  it('stays on one side when the other has no place', () => {
    const left = { from: 9, end: 10, over: -1, places: [{ to: 4, minutes: 0, bench: 0, finish: 0, late: 0 }] };
    expect(stepped(left, 1).over).to.equal(0);
    expect(stepped(left, -1).over).to.equal(0);
  });

  it('is held over the place whose minute is nearest to the pointer, its own included', () => {
    for (const [index, { to }] of carry(-1).places!.entries())
      expect(heldOver(carry(-1), plan, minuteOfPlace(plan, to)).over).to.equal(index);
    const own = (plan.jobs[3]!.begin + plan.jobs[3]!.end) / 2;
    expect(heldOver(carry(2), plan, own).over).to.equal(-1);
    const same = carry(3);
    expect(heldOver(same, plan, plan.finish), 'nothing new, nothing drawn').to.equal(same);
  });

  it('would begin where the job that stands there is turned to', () => {
    const { begin, prep, wait } = plan.jobs[2]!;
    expect(minuteOfPlace(plan, 2)).to.be.closeTo(begin - prep - wait, 1e-9);
    expect(minuteOfPlace(plan, plan.jobs.length)).to.equal(plan.finish);
  });
});
