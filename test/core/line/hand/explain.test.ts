import { expect } from 'chai';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { explainPlace } from '../../../../src/core/line/hand/explainPlace';
import { moveRun } from '../../../../src/core/line/search/moveRun';
import { placesFor } from '../../../../src/core/line/hand/places';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { readOrder } from '../../../../src/core/line/problem/readOrder';
import { examples } from '../../../support/examples';
import { randomOrder, randomProblem } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';

function totalOf(line: ReturnType<typeof compileLine>, order: Int32Array): number {
  const timed = timeOrder(line, order);
  return timed.fits ? timed.totals.total : Infinity;
}

describe('the places of a run', () => {
  it('are all that predecessors allow, each with the change that timing it anew shows', () => {
    for (const seed of seeds(60)) {
      const problem = randomProblem(seed, { sessions: false });
      const line = compileLine(problem);
      const random = new Random(seed);
      const order = Int32Array.from(randomOrder(problem, random));
      const from = random.whole(0, order.length - 1);
      const end = Math.min(order.length, from + random.whole(1, 2));
      const found = new Map(placesFor(line, order, from, end).map(({ to, minutes }) => [to, minutes]));
      for (let to = 0; to <= order.length; to++) {
        if (to >= from && to <= end) continue;
        const moved = order.slice();
        moveRun(moved, from, end, to);
        let isAllowed = true;
        try {
          readOrder(
            problem,
            Array.from(moved, (job) => problem.jobs[job]!.id),
          );
        } catch {
          isAllowed = false;
        }
        expect(found.has(to), `seed ${seed} to ${to}`).to.equal(isAllowed);
        if (isAllowed) expect(found.get(to)).to.be.closeTo(totalOf(line, moved) - totalOf(line, order), 2e-3);
      }
    }
  });

  it('say what they change at the bench and on the clock, in sessions too', () => {
    let compared = 0;
    for (const seed of seeds(80)) {
      const problem = randomProblem(seed, { sessions: seed % 2 === 0 });
      const line = compileLine(problem);
      const order = Int32Array.from(randomOrder(problem, new Random(seed)));
      const before = timeOrder(line, order);
      if (!before.fits) continue;
      for (const place of placesFor(line, order, 0, 1)) {
        const moved = order.slice();
        moveRun(moved, 0, 1, place.to);
        const after = timeOrder(line, moved);
        if (!after.fits) continue;
        expect(place.bench, `seed ${seed} to ${place.to}`).to.be.closeTo(after.totals.bench - before.totals.bench, 2e-3);
        expect(place.finish, `seed ${seed} to ${place.to}`).to.be.closeTo(after.totals.finish - before.totals.finish, 2e-3);
        compared++;
      }
    }
    expect(compared).to.be.greaterThan(60);
  });
});

describe('why a job stands where it does', () => {
  it('names the drying it fills, and what its best other place would lose', () => {
    // a dries 20 min before b may follow; c is done in between.
    const { problem, order } = examples[3]!;
    const line = compileLine(problem);
    const jobs = readOrder(problem, order);
    const reasons = Array.from(jobs.keys(), (place) => explainPlace(line, jobs, place));
    const filler = reasons.find((reason) => reason.fills !== null)!;
    expect(filler.fills!.minutes).to.be.greaterThan(0);
    expect(filler.bestOther!.total).to.be.greaterThan(0);
    expect(filler.bestOther!.wait).to.be.greaterThan(0);
  });

  it('adds up: what is lost elsewhere is changeover, wait and touch-up', () => {
    for (const seed of seeds(12)) {
      const problem = madeUpCommission(seed, { jobs: 22 });
      const line = compileLine(problem);
      const { order } = solveLine(line, { seed: 1, steps: 3000 });
      for (const [place, job] of order.entries()) {
        const reason = explainPlace(line, order, place);
        const places = placesFor(line, order, place, place + 1);
        if (!reason.bestOther) {
          expect(places).to.deep.equal([]);
          continue;
        }
        const { total, changeover, wait, touchUp } = reason.bestOther;
        expect(total).to.be.closeTo(changeover + wait + touchUp, 1e-6);
        expect(total).to.be.closeTo(Math.min(...places.map(({ minutes }) => minutes)), 2e-3);
        if (reason.heldBy) expect(problem.jobs[job]!.after.map((after) => after.job)).to.include(reason.heldBy);
        if (reason.shares) {
          const mate = problem.jobs.find(({ id }) => id === reason.shares!.with)!;
          expect(mate.setup).to.equal(problem.jobs[job]!.setup);
          expect(reason.shares.minutes).to.be.greaterThan(0);
        }
      }
    }
  });

  it('knows that without the job the one that dries would be waited for', () => {
    let seen = 0;
    for (const seed of seeds(20)) {
      const problem = madeUpCommission(seed, { jobs: 18 });
      const line = compileLine(problem);
      const { order } = solveLine(line, { seed: 1, steps: 2000 });
      for (const place of order.keys()) {
        const { fills } = explainPlace(line, order, place);
        if (!fills) continue;
        seen++;
        const ids = Array.from(order, (job) => problem.jobs[job]!.id);
        expect(ids.indexOf(fills.of)).to.be.lessThan(place);
        expect(ids.indexOf(fills.before)).to.be.greaterThan(place);
        expect(problem.jobs[order[ids.indexOf(fills.before)]!]!.after.map((after) => after.job)).to.include(fills.of);
      }
    }
    expect(seen).to.be.greaterThan(20);
  });
});
