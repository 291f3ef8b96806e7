import { expect } from 'chai';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { timeOrder } from '../../src/core/line/timing/timeOrder';
import { legsOf } from '../../src/core/plan/build/legs';
import type { LegSheet } from '../../src/contract/legSheet';
import { legSheetDocument } from '../../src/print/legSheet';
import { toPdf } from '../../src/print/pdf';
import { smallLine } from '../support/line';
import { readPdf } from '../support/pdf';

const { picture, plan } = smallLine();
const order = plan.order.map((id) => picture.jobs.findIndex((job) => job.id === id));

/** The small line as it is printed, in evenings of so many minutes or in one session. */
function sheetOf(eveningMinutes: number | null, name = 'Harbour watch'): LegSheet {
  const sessions = eveningMinutes && {
    origin: new Date(2026, 10, 23, 19).getTime(),
    sessions: Array.from({ length: 9 }, (_, day) => ({ from: day * 1440, to: day * 1440 + eveningMinutes })),
  };
  const timed = timeOrder(compileLine({ ...picture.problem, ...(sessions && { sessions: sessions.sessions }) }), order);
  if (!timed.fits) throw new Error('the evenings are too short for this test');
  return {
    commissions: [{ name, client: 'Ottoline Marsh', dueOn: '2026-12-02' }],
    totals: timed.totals,
    sessions: sessions || null,
    trays: picture.trays,
    legs: legsOf(picture, timed).map(({ first, ...leg }) => ({
      ...leg,
      timed: leg.jobs.map((_, at) => ({ begin: timed.jobs[first + at]!.begin, session: Math.floor(timed.jobs[first + at]!.begin / 1440) })),
    })),
  };
}

const print = async (sheet: LegSheet) => readPdf(await toPdf(legSheetDocument(sheet)));

describe('the leg sheet', () => {
  it('is A4, and says what it is of', async () => {
    const { pages, sizes } = await print(sheetOf(null));
    expect(sizes[0]!.map(Math.round)).to.deep.equal([595, 842]);
    expect(pages[0]).to.include('Leg sheet').and.to.include('Harbour watch for Ottoline Marsh, due Wed 2 Dec');
    expect(pages[0]).to.include(`${plan.legs.length} legs, ${plan.jobs.length} jobs`).and.to.include('in one session');
    expect(pages[0]).to.include('page 1 of 1');
  });

  it('has every leg in its order with paint and tool, and every job of it with tray, part, models, minutes and drying', async () => {
    const { pages } = await print(sheetOf(null));
    const text = pages.join(' ');
    const places = plan.legs.map((leg) => {
      const { paint, technique } = picture.setups.find((setup) => setup.id === leg.setup)!;
      return text.indexOf(technique === 'prime' ? 'Prime spray' : `Base coat ${paint!.name} broad brush`);
    });
    expect(places.every((place) => place > 0)).to.equal(true);
    expect(places).to.deep.equal(places.toSorted((a, b) => a - b));
    expect(text.match(/took \.+/g)).to.have.length(plan.jobs.length);
    expect(text).to.match(/Keepers 1 to 4: hood, coat 2 of 2 4 models 8 min dries 15 min/);
  });

  it('has the stages of the work as headings', async () => {
    const text = (await print(sheetOf(null))).pages.join(' ');
    expect(text.indexOf('Primer')).to.be.within(0, text.indexOf('Base coats') - 1);
    expect(text.match(/Base coats/g)).to.have.length(1);
  });

  it('shows the caution where a can is taken up', async () => {
    expect((await print(sheetOf(null))).pages[0])
      .to.include('Spray outdoors or with extraction')
      .and.to.include('label and local rules');
  });

  it('names each session before the first job that is begun in it, with times of the clock', async () => {
    const sheet = sheetOf(40);
    const text = (await print(sheet)).pages.join(' ');
    const worked = new Set(sheet.legs.flatMap((leg) => leg.timed.map(({ session }) => session)));
    expect(worked.size).to.be.greaterThan(1);
    const named = ['Mon 23 Nov, 19:00', 'Tue 24 Nov, 19:00', 'Wed 25 Nov, 19:00', 'Thu 26 Nov, 19:00'];
    for (const session of worked) expect(text).to.include(named[session]);
    expect(text)
      .to.match(/19:0\d (Keepers|Cutters)/)
      .and.to.match(/done \w+ \d+ Nov, 19:\d\d/);
  });

  it('is spread over pages when it is long, each with its number', async () => {
    const sheet = sheetOf(null);
    const { pages } = await print({ ...sheet, legs: Array.from({ length: 12 }, () => sheet.legs).flat() });
    expect(pages.length).to.be.greaterThan(1);
    pages.forEach((page, index) => expect(page).to.include(`page ${index + 1} of ${pages.length}`));
  });

  it('writes names in Latin, Greek and Cyrillic letters', async () => {
    const name = 'Łódź Ωμέγα Маяк';
    expect((await print(sheetOf(null, name))).pages[0]).to.include(name);
  });
});
