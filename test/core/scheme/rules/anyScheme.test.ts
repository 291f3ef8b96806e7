import { expect } from 'chai';
import fc from '../../../support/property';
import { readLineProblem } from '../../../../src/core/formats/lineProblem';
import { enteredOrder } from '../../../../src/core/line/problem/precedence';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { withPots } from '../../../../src/core/scheme/model/pots';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { orderRules } from '../../../../src/core/scheme/rules/orderRules';
import { normOfPass } from '../../../../src/core/time/fit/norms';
import { anyScheme, SHELF } from '../../../support/anyScheme';
import { roster, unit } from '../../../support/units';

const POTS = new Map(SHELF.map((paint) => [paint.id, paint]));

describe('any scheme', () => {
  const unitWith = ({ scheme, models }: { scheme: ReturnType<typeof unit>['scheme']; models: number }) =>
    unit('Any', [], [], { promised: models, trayLimit: 4, scheme });

  it('has hard rules that some order keeps, and soft ones only where those leave a choice', () => {
    fc.assert(
      fc.property(anyScheme(), (any) => {
        const its = unitWith(any);
        const passes = passesOf(its, 'full', DEFAULT_HOUSE_RULES);
        const { hard, soft, circles } = orderRules(its, passes, withPots(POTS, [any.scheme]), DEFAULT_HOUSE_RULES, normOfPass('foot'));
        expect(circles, 'nobody has rules of his own here').to.deep.equal([]);
        const after = reached(hard);
        for (const { key } of passes) expect(after(key).has(key), `a circle through ${key}`).to.equal(false);
        for (const { first, then } of soft) {
          expect(after(first).has(then), `${first} is before ${then} anyway`).to.equal(false);
          expect(after(then).has(first), `${then} can never come after ${first}`).to.equal(false);
        }
      }),
    );
  });

  it('makes a line that is read back as it is, and paints every model of every pass once', () => {
    fc.assert(
      fc.property(anyScheme(), (any) => {
        const its = unitWith(any);
        const { problem, jobs } = buildLine(roster([its], { paints: POTS }));
        if (jobs.length === 0) return;
        expect(readLineProblem(JSON.parse(JSON.stringify(problem)))).to.deep.equal(problem);
        const painted = jobs.flatMap(({ passKey, models }) => models.map((model) => `${passKey} ${model}`));
        const wanted = passesOf(its, 'full', DEFAULT_HOUSE_RULES).flatMap(({ key, models }) => models.map((model) => `${key} ${model}`));
        expect(painted.toSorted()).to.deep.equal(wanted.toSorted());
        const line = compileLine(problem);
        expect(timeOrder(line, enteredOrder(line)).fits).to.equal(true);
      }),
      { numRuns: 50 },
    );
  });
});

/** All that must come after a pass, by the rules alone. */
function reached(hard: readonly { before: string; after: string }[]): (key: string) => Set<string> {
  const next = new Map<string, string[]>();
  for (const { before, after } of hard) next.set(before, [...(next.get(before) ?? []), after]);
  return (key) => {
    const found = new Set<string>();
    const open = [...(next.get(key) ?? [])];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      if (found.has(at)) continue;
      found.add(at);
      open.push(...(next.get(at) ?? []));
    }
    return found;
  };
}
