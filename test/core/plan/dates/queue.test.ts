import { expect } from 'chai';
import { queuedDates, type PieceTimes } from '../../../../src/core/plan/dates/benchQueue';
import { endOfDay } from '../../../../src/core/plan/dates/benchSessions';
import { isOwnDate, lineDates } from '../../../../src/core/plan/dates/lineDates';

const DAY = 1440;
const sessions = Array.from({ length: 10 }, (_, day) => ({ from: day * DAY, to: day * DAY + 120 }));
const calendar = {
  sessionFrom: Float64Array.from(sessions, ({ from }) => from),
  sessionTo: Float64Array.from(sessions, ({ to }) => to),
};
const piece = (id: string, at: number, end: number, ...ends: number[]): PieceTimes => ({
  bench: end,
  finish: end,
  finishes: Float64Array.from(ends),
  dates: [{ id, at, end, ends: Float64Array.from(ends) }],
});

describe('the queue of the bench', () => {
  it('begins each piece where the one before has ended, in the plan and in every draw', () => {
    const dates = queuedDates(calendar, [piece('tide', 500, 90, 60, 150 + DAY - 120), piece('chess', 9000, 60, 30, 60)]);
    expect(dates.map(({ end }) => end)).to.deep.equal([90, DAY + 30]);
    // 60 and 30 minutes take 90 of the first evening; 150 and 60 end 90 minutes into the second.
    expect([...dates[1]!.ends]).to.deep.equal([90, DAY + 90]);
  });

  it('meets a date with the last piece that has jobs of it', () => {
    const dates = queuedDates(calendar, [piece('tide', 500, 90, 90), piece('tide', 500, 60, 60)]);
    expect(dates).to.have.length(1);
    expect(dates[0]!.end).to.equal(DAY + 30);
  });
});

describe('the dates of a line', () => {
  const origin = new Date(2026, 10, 24, 19).getTime();
  const jobs = [
    { id: 'a', commissionId: 'tide' },
    { id: 'b', commissionId: 'chess' },
  ];
  const commissions = [
    { id: 'tide', by: endOfDay('2026-11-24') },
    { id: 'chess', by: endOfDay('2026-11-20') },
    { id: 'market', by: endOfDay('2026-12-20') },
  ];

  it('are the ends of their days, and those of commissions without jobs are left out', () => {
    const own = lineDates(jobs, commissions, { origin, sessions }, 1.25).filter(isOwnDate);
    expect(own.map(({ id, at, jobs: its }) => ({ id, at, its }))).to.deep.equal([
      { id: 'tide', at: 300, its: ['a'] },
      { id: 'chess', at: 0, its: ['b'] },
    ]);
  });

  it('have an earlier one each that leaves room for slower work, where there are rivals', () => {
    const all = lineDates(jobs, commissions, { origin, sessions }, 1.25);
    expect(all.find(({ id }) => id === 'tide safe')!.at).to.equal(120 / 1.25);
    expect(lineDates(jobs.slice(0, 1), commissions, { origin, sessions }, 1.25)).to.have.length(1);
  });
});
