import { expect } from 'chai';
import { benchSessions, endOfDay, sessionMinutes } from '../../../src/core/calendar/benchSessions';

const at = (text: string) => new Date(text).getTime();
const pattern = [
  { weekday: 0, from: '19:00', to: '21:30' },
  { weekday: 5, from: '14:00', to: '24:00' },
];

describe('sessions at the bench', () => {
  // 2026-11-23 is a Monday; times without a zone are local, as the painter means them.
  it('lay the week out in local time', () => {
    const sessions = benchSessions(pattern, at('2026-11-23T00:00'), at('2026-11-30T00:00'));
    expect(sessions).to.deep.equal([
      { from: at('2026-11-23T19:00'), to: at('2026-11-23T21:30') },
      { from: at('2026-11-28T14:00'), to: at('2026-11-29T00:00') },
    ]);
    expect(sessionMinutes(sessions)).to.equal(150 + 600);
  });

  it('count only what is left of a session that is going on', () => {
    expect(sessionMinutes(benchSessions(pattern, at('2026-11-23T20:00'), at('2026-11-23T23:00')))).to.equal(90);
  });

  it('are none when none are set, or when the date is past', () => {
    expect(benchSessions([], 0, at('2026-11-23T00:00'))).to.deep.equal([]);
    expect(benchSessions(pattern, at('2026-11-23T00:00'), at('2026-11-20T00:00'))).to.deep.equal([]);
  });

  it('end a day at its midnight, over the end of a month', () => {
    expect(endOfDay('2026-11-30')).to.equal(at('2026-12-01T00:00'));
  });
});
