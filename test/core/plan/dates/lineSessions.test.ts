import type { WeeklySession } from '../../../../src/core/scheme/model/houseRules';
import { expect } from 'chai';
import { lineSessions } from '../../../../src/core/plan/dates/lineSessions';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../../../src/core/line/problem/precedence';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { smallLine } from '../../../support/line';

const { picture } = smallLine();
const pattern = [
  { weekday: 0, from: '19:00', to: '21:30' },
  { weekday: 3, from: '19:00', to: '20:00' },
];
const at = (text: string) => new Date(text).getTime();

const weekly = (sessions: readonly WeeklySession[]) => ({ sessions: [...sessions], away: [] });

describe('the sessions of a line', () => {
  it('begin with the next session of the week, in minutes from its begin', () => {
    const { origin, sessions } = lineSessions(picture.problem, weekly(pattern), at('2026-11-24T12:00'))!;
    expect(origin).to.equal(at('2026-11-26T19:00'));
    expect(sessions.slice(0, 2)).to.deep.equal([
      { from: 0, to: 60 },
      { from: 4 * 1440, to: 4 * 1440 + 150 },
    ]);
  });

  it('begin now, on the full minute, in a session that is going on', () => {
    const { origin, sessions } = lineSessions(picture.problem, weekly(pattern), at('2026-11-23T20:00:20'))!;
    expect(origin).to.equal(at('2026-11-23T20:01'));
    expect(sessions[0]).to.deep.equal({ from: 0, to: 89 });
  });

  it('are none when the week has none', () => {
    expect(lineSessions(picture.problem, weekly([]), at('2026-11-23T20:00'))).to.equal(null);
  });

  for (const seed of [1, 2, 3])
    it(`hold the entered order of a made-up commission, seed ${seed}`, () => {
      const problem = madeUpCommission(seed, { jobs: 60 });
      const { sessions } = lineSessions(problem, weekly(pattern), at('2026-11-23T12:00'))!;
      const line = compileLine({ ...problem, sessions });
      expect(timeOrder(line, enteredOrder(line))).to.have.property('totals');
    });
});
