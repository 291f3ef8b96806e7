import { expect } from 'chai';
import { chartScale } from '../../src/islands/Line/chart/chartScale';
import { LineTimes } from '../../src/islands/shared/LineTimes';
import { smallLine } from '../support/line';

const { plan } = smallLine();
/** Monday, Tuesday and Thursday from 19:00 on, two hours each. */
const sessions = [0, 1440, 4320].map((from) => ({ from, to: from + 120 }));
const calendar = { origin: new Date(2026, 10, 23, 19).getTime(), sessions };

describe('the times of a line, counted from its start', () => {
  const times = new LineTimes(null);

  it('are minutes', () => {
    expect(times.when(95)).to.equal('1 h 35 min');
    expect(times.totalText({ ...plan, bench: 95 })).to.deep.equal({ amount: '1 h 35 min', until: 'at the bench' });
    expect(times.changeText({ bench: 4, finish: 4, late: 0 }, 95)).to.equal('+4 min');
    expect(times.changeText({ bench: 0, finish: 0, late: 0 }, 95)).to.equal('no change');
  });

  it('say how far from the best possible a plan can be', () => {
    expect(times.gapText({ ...plan, proven: true })).to.equal('the best possible');
    expect(times.gapText({ ...plan, proven: false, bench: 40, total: 50, bound: 45.4 })).to.equal(
      'at most 5 weighed min from the best possible',
    );
    expect(times.gapText({ ...plan, proven: false, bench: 40, total: 9000, bound: 45.4 })).to.equal('not proven the best possible');
  });
});

describe('the times of a line in the sessions of the week', () => {
  const times = new LineTimes(calendar);

  it('are days and times', () => {
    expect(times.when(1450)).to.equal('Tue 24 Nov, 19:10');
    expect(times.momentOf(1)! - times.momentOf(0)!).to.equal(60_000);
  });

  it('count a moment to the session that work until then is done in', () => {
    for (const [minute, session] of [
      [0, 0],
      [1, 0],
      [120, 0],
      [1000, 0],
      [1440, 0],
      [1441, 1],
      [4330, 2],
      [9000, 2],
    ] as const)
      expect(times.sessionOf(minute), `minute ${minute}`).to.equal(session);
  });

  it('say the bench time of the whole, in how many sessions, and until when', () => {
    expect(times.totalText({ ...plan, bench: 130, finish: 1460, late: 0 })).to.deep.equal({
      amount: '2 h 10 min',
      until: 'at the bench in 2 sessions, done Tue 24 Nov, 19:20',
    });
  });

  it('say a change as bench time and as sessions', () => {
    expect(times.changeText({ bench: 3, finish: 3, late: 0 }, 1460)).to.equal('+3 min');
    expect(times.changeText({ bench: -2, finish: -1380, late: 0 }, 1460)).to.equal('−2 min, done 1 session earlier');
    expect(times.changeText({ bench: 0, finish: 2870, late: 0 }, 1460)).to.equal('done 1 session later');
    expect(times.changeText({ bench: 3, finish: 28, late: 0 }, 1460)).to.equal('+3 min, done 28 min later');
    expect(times.changeText({ bench: 3, finish: 0, late: 0 }, 1460), 'the end of a session took it up').to.equal('+3 min');
    expect(times.changeText({ bench: 0, finish: -4, late: 0 }, 1460)).to.equal('done 4 min earlier');
    // Never "done 0 min earlier".
    expect(times.changeText({ bench: 33, finish: -0.02, late: 0 }, 1460)).to.equal('+33 min, done no later');
    expect(times.changeText({ bench: 0, finish: 0, late: 0 }, 1460)).to.equal('no change');
  });
});

describe('the minutes along a chart', () => {
  it('are even in one session', () => {
    const { x, bands } = chartScale(null, 200, 800);
    expect(bands).to.equal(null);
    expect([0, 50, 200].map(x)).to.deep.equal([0, 200, 800]);
  });

  it('are even in each session, with the nights squeezed between them', () => {
    const { x, bands } = chartScale(sessions, 1500, 800);
    expect(bands).to.deep.equal([
      { from: 0, to: 120 },
      { from: 1440, to: 1500 },
    ]);
    const night = x(1440) - x(120);
    expect(night).to.be.within(8, 16);
    expect((x(120) - x(0)) / 120).to.be.closeTo((x(1500) - x(1440)) / 60, 1e-9);
    expect(x(1500)).to.be.closeTo(800, 1e-9);
    for (const minute of [0, 60, 130, 800, 1440, 1470]) expect(x.invert(x(minute)), `minute ${minute}`).to.be.closeTo(minute, 1e-6);
  });

  it('leave most of the width to many sessions', () => {
    const many = Array.from({ length: 300 }, (_, day) => ({ from: day * 1440, to: day * 1440 + 60 }));
    const { x } = chartScale(many, 299 * 1440 + 60, 900);
    const worked = many.reduce((sum, { from, to }) => sum + x(to) - x(from), 0);
    expect(worked).to.be.greaterThan(900 * 0.7);
  });

  it('have no night between sessions that follow each other', () => {
    const { x } = chartScale(
      [
        { from: 0, to: 60 },
        { from: 60, to: 120 },
      ],
      120,
      480,
    );
    expect(x(60)).to.be.closeTo(240, 8);
    expect(x.invert(x(90))).to.be.closeTo(90, 1e-6);
  });
});
