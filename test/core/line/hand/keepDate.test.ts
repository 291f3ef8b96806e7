import { expect } from 'chai';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { keepDate } from '../../../../src/core/line/hand/keepDate';
import { examples } from '../../../support/examples';

/** Two commissions that share two setups, two evenings; the second is due in the first evening. */
const problem = (at: number): LineProblem => {
  const { problem: two } = examples.find(({ file }) => file.startsWith('18'))!;
  const [first] = two.due!;
  const others = two.jobs.filter(({ id }) => !first!.jobs.includes(id)).map(({ id }) => id);
  return { ...two, due: [{ id: 'own', jobs: others, at, perMinuteLate: 0.01 }] };
};
const OPTIONS = { seed: 1, steps: 2000 };

describe('keeping a date', () => {
  it('puts it above everything else, and says what that costs at the bench', () => {
    const late = problem(25);
    const order = late.jobs.map((_, job) => job);
    const kept = keepDate(late, order, 'own', OPTIONS);
    const end = (of: { id: string; end: number }[]) => of.find(({ id }) => id === 'own')!.end;
    expect(end(kept.after)).to.be.at.most(end(kept.before));
    expect(kept.isKept).to.equal(end(kept.after) <= 25);
    expect(kept.isKept).to.equal(true);
  });

  it('says so when no order keeps it, with the best there is', () => {
    const never = problem(1);
    const kept = keepDate(
      never,
      never.jobs.map((_, job) => job),
      'own',
      OPTIONS,
    );
    expect(kept.isKept).to.equal(false);
    expect(kept.after[0]!.end).to.be.greaterThan(1);
  });
});
