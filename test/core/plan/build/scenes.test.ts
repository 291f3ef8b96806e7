import { expect } from 'chai';
import { coatOfJob } from '../../../../src/core/kernel/ids';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../../../src/core/line/problem/precedence';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { timeOrder, type TimedOrder } from '../../../../src/core/line/timing/timeOrder';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { lineFigures, shareMinutes } from '../../../../src/core/plan/build/lineFigures';
import type { Part, Step, Unit } from '../../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../../../../src/core/scheme/model/houseRules';
import { stepOfKey } from '../../../../src/core/scheme/model/halves';
import { DEFAULT_SCHOOLS } from '../../../../src/core/scheme/model/schools';
import { normMinutes } from '../../../../src/core/time/fit/norms';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map(
  [
    paint('fog'),
    paint('tar', 'wash'),
    paint('moss', 'wash'),
    paint('skin'),
    paint('sea'),
    paint('straw'),
    paint('rust'),
    paint('dust'),
    paint('lamp', 'translucent'),
    paint('matt', 'varnish'),
    paint('gloss', 'varnish'),
    paint('steel', 'metallic'),
  ].map((each) => [each.id, each]),
);

const STEPS = 8_000;

interface Planned {
  /** Steps by id, in the order that is suggested. */
  steps: string[];
  suggested: TimedOrder;
  /** The minutes of all units as entered, as prices and dates go by them. */
  shared: number;
  entered: TimedOrder;
}

function planned(units: Unit[], house: Partial<HouseRules> = {}): Planned {
  const built = buildLine(
    roster(units, {
      paints,
      house: { ...DEFAULT_HOUSE_RULES, ...house },
      minutesOf: ({ size }, { step: of }) => normMinutes(of.technique, size, of.coverage),
    }),
  );
  const { problem } = built;
  const line = compileLine(problem);
  const timed = (order: ArrayLike<number>) => {
    const its = timeOrder(line, order);
    if (!its.fits) throw new Error('one endless session holds everything');
    return its;
  };
  const entered = timed(enteredOrder(line));
  const { order } = solveLine(line, { seed: 1, steps: STEPS, seeksProof: false });
  return {
    steps: Array.from(order, (job) => stepOfKey(coatOfJob(problem.jobs[job]!.id))),
    suggested: timed(order),
    shared: shareMinutes(
      lineFigures(
        built,
        entered.jobs.map(({ id }) => id),
        null,
      ).total,
    ),
    entered,
  };
}

/** Every pass of the first step stands before every pass of the second. */
const comesFirst = ({ steps }: Planned, first: Step, then: Step) => steps.lastIndexOf(first.id) < steps.indexOf(then.id);

const sized = (surface: number, its: Part): Part => ({
  ...its,
  surface,
  steps: its.steps.map((each) => ({ ...each, coverage: ['layer', 'edge', 'drybrush'].includes(each.technique) ? surface / 3 : surface })),
});

/** No suggestion is worse than what was written down, in what is weighed; and a broken wish is work to nobody. */
function expectNoWorse({ suggested, entered, shared }: Planned): void {
  expect(suggested.totals.total).to.be.at.most(entered.totals.total);
  expect(shared).to.be.closeTo(entered.totals.bench, 1e-6);
}

describe('an order that a painter would sign', () => {
  it('shades thirty-six ferry hands in three units with tar on everything but the skin, in one leg', () => {
    const hands = (name: string) => {
      const skin = step('basecoat', { paint: 'skin' });
      const cheek = step('layer', { paint: 'skin' });
      const coat = step('basecoat', { paint: 'sea' });
      const fold = step('edge', { paint: 'straw' });
      const shade = step('wash', { paint: 'tar', coverage: 0.6, over: { without: [`part-skin ${name}`] } });
      const parts = [sized(0.15, part(`skin ${name}`, skin, cheek)), sized(0.5, part(`coat ${name}`, coat, fold))];
      return {
        skin,
        cheek,
        coat,
        fold,
        shade,
        unit: unit(name, parts, [step('prime', { paint: 'fog' }), shade], { promised: 12, trayLimit: 12 }),
      };
    };
    const all = ['Bow', 'Mid', 'Stern'].map(hands);
    const plan = planned(all.map((each) => each.unit));
    for (const { coat, fold, shade } of all) {
      expect(comesFirst(plan, coat, shade), 'the shade on dry coats').to.equal(true);
      expect(comesFirst(plan, shade, fold), 'lines over the shade').to.equal(true);
    }
    const washing = plan.suggested.legs.filter(({ setup }) => setup.startsWith('wash'));
    expect(washing.map(({ jobs }) => jobs.length)).to.deep.equal([3]);
    expectNoWorse(plan);
    expect(plan.entered.totals.against, 'as entered breaks wishes').to.be.greaterThan(0);
    expect(plan.suggested.legs.length).to.be.lessThan(plan.entered.legs.length);
  });

  it('lays rust, chips and dust of eight punts on what is painted, and keeps the lanterns clean', () => {
    const hull = step('basecoat', { paint: 'straw' });
    const rail = step('basecoat', { paint: 'steel' });
    const ropes = step('detail', { paint: 'rust' });
    const lantern = step('lens', { paint: 'lamp' });
    const wash = step('wash', { paint: 'tar', coverage: 0.9 });
    const chips = step('sponge', { paint: 'rust', coverage: 0.2 });
    const streaks = step('streak', { paint: 'rust', coverage: 0.2 });
    const dust = step('pigment', { paint: 'dust', coverage: 0.3 });
    const punts = unit(
      'Punts',
      [
        sized(0.6, part('hull', hull)),
        sized(0.1, part('rail', rail)),
        sized(0.05, part('ropes', ropes)),
        sized(0.02, part('lantern', lantern)),
      ],
      [step('prime', { paint: 'fog' }), wash, chips, streaks, dust],
      { promised: 8, trayLimit: 8, size: 'vehicle' },
    );
    const plan = planned([punts], { schools: { ...DEFAULT_SCHOOLS, lights: 'after everything', powders: 'before the varnish' } });
    for (const each of [hull, rail, ropes]) {
      expect(comesFirst(plan, each, chips), 'metal before the rust on it').to.equal(true);
      expect(comesFirst(plan, each, dust)).to.equal(true);
    }
    for (const [first, then] of [
      [wash, ropes],
      [chips, streaks],
      [streaks, dust],
      [dust, lantern],
    ] as const)
      expect(comesFirst(plan, first, then), `${first.technique} before ${then.technique}`).to.equal(true);
    expectNoWorse(plan);
  });

  it('gives forty reed cutters their skin by a shade first, before what it runs onto', () => {
    const skin = step('wash', { paint: 'moss' });
    const lift = step('drybrush', { paint: 'straw' });
    const smock = step('basecoat', { paint: 'sea' });
    const hook = step('basecoat', { paint: 'steel' });
    const dirt = step('wash', { paint: 'tar' });
    const cutters = unit(
      'Cutters',
      [sized(0.5, part('skin', skin, lift)), sized(0.25, part('smock', smock, dirt)), sized(0.04, part('hook', hook))],
      [step('prime', { paint: 'fog' })],
      { promised: 40, trayLimit: 20 },
    );
    const plan = planned([cutters]);
    for (const each of [smock, hook, dirt, lift]) expect(comesFirst(plan, skin, each)).to.equal(true);
    expectNoWorse(plan);
  });

  it('airbrushes snail-shell drums before anything is painted by hand, and sets the lenses when the powder is on', () => {
    const deep = step('airbrush', { paint: 'sea' });
    const light = step('airbrush', { paint: 'straw' });
    const strap = step('basecoat', { paint: 'rust' });
    const stud = step('basecoat', { paint: 'steel' });
    const lens = step('lens', { paint: 'lamp' });
    const powder = step('pigment', { paint: 'dust', coverage: 0.3 });
    const shell = sized(0.6, part('shell', deep, light));
    const drums = unit(
      'Drums',
      [shell, sized(0.1, part('strap', strap)), sized(0.03, part('stud', stud)), sized(0.02, part('lens', lens))],
      [step('prime', { paint: 'fog' }), step('varnish', { paint: 'matt' }), powder],
      { promised: 5, trayLimit: 5, size: 'large' },
    );
    const plan = planned([drums], { schools: { ...DEFAULT_SCHOOLS, lights: 'after everything' } });
    for (const each of [strap, stud, lens]) expect(comesFirst(plan, light, each), each.technique).to.equal(true);
    expect(comesFirst(plan, powder, lens)).to.equal(true);
    expectNoWorse(plan);
  });
});
