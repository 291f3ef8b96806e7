import { expect } from 'chai';
import ICAL from 'ical.js';
import { calendarEntries, type CalendarOf } from '../../src/core/finish/calendar';
import { readCalendar } from '../../src/server/calendar/readCalendar';
import { writeCalendar } from '../../src/server/calendar/writeCalendar';
import { DAY_MS, HOUR_MS } from '../../src/core/kernel/timeUnits';

/** A Monday. */
const NOW = new Date(2026, 10, 30, 12, 0);
const at = (day: number, hour: number, minute = 0) => new Date(2026, 11, day, hour, minute).getTime();

const OF: CalendarOf = {
  now: NOW.getTime(),
  rules: { sessions: [{ weekday: 1, from: '19:00', to: '21:30' }], away: [] },
  commissions: [
    {
      id: 'c1',
      name: 'Harbour, "blue"; a, b',
      client: 'Club',
      dueOn: '2026-12-20',
      leavesBy: '2026-12-14',
      carrier: 'Van',
      by: at(14, 0),
      isPainted: false,
    },
    { id: 'c2', name: 'Pier', client: 'Ann', dueOn: '2026-12-05', leavesBy: '2026-12-05', carrier: '', by: at(5, 0), isPainted: true },
  ],
  curing: [{ unitId: 'u1', unit: 'Rowers', commission: 'Pier', packAt: at(1, 5, 39) }],
  drying: [
    { passKey: 's#1', unit: 'Rowers', what: 'Coat', models: 4, dryAt: at(1, 20) },
    { passKey: 't#1', unit: 'Rowers', what: 'Base', models: 1, dryAt: at(1, 22) },
  ],
};

/** Read with a reader that knows nothing of the writer. */
function read(text: string) {
  const root = new ICAL.Component(ICAL.parse(text) as unknown[]);
  return root.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component));
}

describe('the calendar', () => {
  it('is read by an independent reader as it was meant', () => {
    const events = read(writeCalendar(calendarEntries(OF), NOW));
    const by = new Map(events.map((event) => [event.uid, event]));
    expect(new Set(events.map(({ uid }) => uid)).size).to.equal(events.length);
    expect(by.get('due-c1@neat-relay')!.summary).to.equal('Promised: Harbour, "blue"; a, b');
    expect(by.get('due-c1@neat-relay')!.startDate.toString()).to.equal('2026-12-20');
    expect(by.get('parcel-c1@neat-relay')!.startDate.toString()).to.equal('2026-12-14');
    expect(by.get('painted-c1@neat-relay')!.startDate.toString()).to.equal('2026-12-13');
    expect(by.has('parcel-c2@neat-relay')).to.equal(false);
    expect(by.has('painted-c2@neat-relay')).to.equal(false);
    expect(by.get('cured-u1@neat-relay')!.startDate.toJSDate().getTime()).to.equal(at(1, 5, 39));
    // What dries while somebody sits there is seen there.
    expect(by.has('dry-s#1@neat-relay')).to.equal(false);
    expect(by.get('dry-t#1@neat-relay')!.description).to.equal('1 model');
    const sessions = events.filter(({ uid }) => uid.startsWith('session-'));
    expect(sessions).to.have.length(8);
    expect(sessions[0]!.startDate.toJSDate().getTime()).to.equal(at(1, 19));
    expect(sessions[0]!.endDate.toJSDate().getTime()).to.equal(at(1, 21, 30));
  });

  it('keeps its ids when things move, also in the middle of a session', () => {
    const ids = (of: CalendarOf) => calendarEntries(of).map(({ uid }) => uid);
    const moved = { ...OF, curing: [{ ...OF.curing[0]!, packAt: at(2, 5) }] };
    expect(ids(moved)).to.deep.equal(ids(OF));
    const within = { ...OF, now: at(1, 20), curing: [], drying: [] };
    expect(ids(within).filter((uid) => uid.startsWith('session-'))[0]).to.equal(ids(OF)[0]);
  });

  it('reads what is taken: whole days, repeated evenings, zones; what is free, called off or our own is not', () => {
    const file = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//somebody//else//EN',
      'BEGIN:VEVENT',
      'UID:holiday',
      'SUMMARY:Away to the coast',
      'DTSTART;VALUE=DATE:20261207',
      'DTEND;VALUE=DATE:20261210',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:choir',
      'SUMMARY:Choir',
      'DTSTART:20261201T180000Z',
      'DTEND:20261201T200000Z',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      'EXDATE:20261208T180000Z',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:free',
      'DTSTART:20261202T180000Z',
      'DTEND:20261202T200000Z',
      'TRANSP:TRANSPARENT',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:past',
      'DTSTART:20261101T180000Z',
      'DTEND:20261101T200000Z',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:session-x@neat-relay',
      'DTSTART:20261203T180000Z',
      'DTEND:20261203T200000Z',
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ].join('\r\n');
    const away = readCalendar(file, NOW);
    expect(away.map(({ what }) => what)).to.deep.equal(['Choir', 'Away to the coast', 'Choir', 'Choir']);
    const [, coast] = away;
    expect(Date.parse(coast!.from)).to.equal(at(7, 0));
    expect(Date.parse(coast!.to) - Date.parse(coast!.from)).to.equal(3 * DAY_MS);
    expect(Date.parse(away[0]!.to) - Date.parse(away[0]!.from)).to.equal(2 * HOUR_MS);
    expect(new Set(away.map(({ uid }) => uid)).size).to.equal(4);
    expect(readCalendar(file, NOW)).to.deep.equal(away);
  });

  it('refuses what is no calendar', () => {
    for (const text of ['', 'name,hex\nFoam,#ffffff', 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ann\r\nEND:VCARD\r\n'])
      expect(() => readCalendar(text, NOW)).to.throw(/choose a calendar file/);
  });
});
