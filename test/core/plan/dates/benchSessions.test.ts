import type { WeeklySession } from '../../../../src/core/scheme/model/houseRules';
import { expect } from 'chai';
import { benchSessions, endOfDay, minutesBetween, sessionMinutes } from '../../../../src/core/plan/dates/benchSessions';
import { Random, seeds } from '../../../support/random';

const at = (text: string) => new Date(text).getTime();
const pattern = [
  { weekday: 0, from: '19:00', to: '21:30' },
  { weekday: 5, from: '14:00', to: '24:00' },
];

const weekly = (sessions: readonly WeeklySession[]) => ({ sessions: [...sessions], away: [] });

describe('sessions at the bench', () => {
  // 2026-11-23 is a Monday; times without a zone are local, as the painter means them.
  it('lay the week out in local time', () => {
    const sessions = benchSessions(weekly(pattern), at('2026-11-23T00:00'), at('2026-11-30T00:00'));
    expect(sessions).to.deep.equal([
      { from: at('2026-11-23T19:00'), to: at('2026-11-23T21:30') },
      { from: at('2026-11-28T14:00'), to: at('2026-11-29T00:00') },
    ]);
    expect(sessionMinutes(sessions)).to.equal(150 + 600);
  });

  it('count only what is left of a session that is going on', () => {
    expect(sessionMinutes(benchSessions(weekly(pattern), at('2026-11-23T20:00'), at('2026-11-23T23:00')))).to.equal(90);
  });

  it('are none when none are set, or when the date is past', () => {
    expect(benchSessions(weekly([]), 0, at('2026-11-23T00:00'))).to.deep.equal([]);
    expect(benchSessions(weekly(pattern), at('2026-11-23T00:00'), at('2026-11-20T00:00'))).to.deep.equal([]);
  });

  it('end a day at its midnight, over the end of a month', () => {
    expect(endOfDay('2026-11-30')).to.equal(at('2026-12-01T00:00'));
  });
});

describe('sessions when clocks change', () => {
  const zone = process.env['TZ'];
  before(() => (process.env['TZ'] = 'Europe/Berlin'));
  after(() => {
    if (zone === undefined) delete process.env['TZ'];
    else process.env['TZ'] = zone;
  });
  const night = [
    { weekday: 6, from: '01:00', to: '02:00' },
    { weekday: 6, from: '02:00', to: '03:00' },
    { weekday: 6, from: '03:00', to: '04:00' },
  ];

  it('loses no session in the hour that is skipped, and lets none overlap', () => {
    // 29 March 2026: from 02:00 the clock goes to 03:00.
    const sessions = benchSessions(weekly(night), at('2026-03-29T00:00'), at('2026-03-30T00:00'));
    expect(sessions.map(({ from, to }) => (to - from) / 60_000)).to.deep.equal([60, 60, 60]);
    expect(sessions.slice(1).every(({ from }, index) => from >= sessions[index]!.to)).to.equal(true);
  });

  it('holds a session in the hour that comes twice once', () => {
    // 25 October 2026: at 03:00 the clock goes back to 02:00.
    expect(sessionMinutes(benchSessions(weekly(night), at('2026-10-25T00:00'), at('2026-10-26T00:00')))).to.equal(180);
  });

  for (const seed of seeds(20))
    it(`counts the minutes between two moments without laying them all out, seed ${seed}`, () => {
      const random = new Random(seed);
      const hour = () => random.whole(0, 22);
      const week = Array.from({ length: random.whole(1, 6) }, () => {
        const from = hour();
        return { weekday: random.whole(0, 6), from, to: random.whole(from + 1, 24) };
      })
        .filter(
          (one, index, all) =>
            !all.some((other, before) => before < index && other.weekday === one.weekday && other.from < one.to && one.from < other.to),
        )
        .map(({ weekday, from, to }) => ({
          weekday,
          from: `${String(from).padStart(2, '0')}:00`,
          to: `${String(to).padStart(2, '0')}:00`,
        }));
      const from = at('2026-01-01T00:00') + random.whole(0, 300 * 1440) * 60_000;
      const to = from + random.whole(0, 400 * 1440) * 60_000;
      expect(minutesBetween(weekly(week), from, to)).to.equal(sessionMinutes(benchSessions(weekly(week), from, to)));
    });

  it('counts to the year 9999', () => {
    expect(minutesBetween(weekly(night), at('2026-01-01T00:00'), endOfDay('9999-12-31'))).to.be.greaterThan(7973 * 52 * 180);
  });
});
