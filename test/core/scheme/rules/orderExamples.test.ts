import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect } from 'chai';
import { readScheme, unitOf } from '../../../../src/core/formats/scheme/schemeFile';
import { coatOfJob } from '../../../../src/core/kernel/ids';
import { stepOfKey } from '../../../../src/core/scheme/model/halves';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { withPots } from '../../../../src/core/scheme/model/pots';
import { normMinutes } from '../../../../src/core/time/fit/norms';

interface Example {
  note: string;
  scheme: unknown;
  /** Pairs of steps that the planned order keeps. */
  insists: [first: string, then: string][];
  /** Those it keeps unless the wait they cost is worth more. */
  likes: [first: string, then: string][];
}

const FOLDER = 'test/data/order';
const STEPS = 20_000;
const stepOf = (jobId: string) => stepOfKey(coatOfJob(jobId));

describe('the order that is planned', () => {
  for (const name of readdirSync(FOLDER).sort()) {
    const { note, scheme, insists, likes } = JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8')) as Example;
    it(`is one that a painter would sign (${name}): ${note}`, () => {
      const file = readScheme(scheme);
      const { problem } = buildLine({
        units: [{ ...unitOf(file), commissionId: 'c', commissionName: 'C', standard: file.standard }],
        paints: withPots(new Map(file.paints.map((paint) => [paint.id, paint])), [file.scheme]),
        house: DEFAULT_HOUSE_RULES,
        minutesOf: ({ size }, { step }) => normMinutes(step.technique, size, step.coverage),
        doneModels: () => new Set(),
      });
      const { order, cost } = solveLine(compileLine(problem), { seed: 1, steps: STEPS, seeksProof: false });
      const steps = Array.from(order, (job) => stepOf(problem.jobs[job]!.id));
      const isKept = ([first, then]: [string, string]) => steps.lastIndexOf(first) < steps.indexOf(then);
      expect(
        insists.filter((pair) => !isKept(pair)),
        steps.join(' '),
      ).to.deep.equal([]);
      // What is liked gives way only where keeping it costs more than it is worth.
      for (const [first, then] of likes.filter((pair) => !isKept(pair))) {
        const before = problem.jobs.filter(({ id }) => stepOf(id) === first);
        const waits = before.map(({ id }) => ({ job: id, scope: 'tray' as const, lagMinutes: 0 }));
        const jobs = problem.jobs.map((job) => (stepOf(job.id) === then ? { ...job, after: [...job.after, ...waits] } : job));
        const liked = solveLine(compileLine({ ...problem, jobs }), { seed: 1, steps: STEPS, seeksProof: false });
        expect(liked.cost, `${first} before ${then}`).to.be.greaterThan(cost);
      }
    });
  }
});
