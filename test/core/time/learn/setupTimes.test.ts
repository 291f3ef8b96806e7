import { expect } from 'chai';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import type { Pot } from '../../../../src/core/scheme/model/pots';
import { learnSetups, SETUP_FIELDS, withSetups, type MeasuredSetup } from '../../../../src/core/time/learn/setupTimes';
import { Random } from '../../../support/random';

const house = { ...DEFAULT_HOUSE_RULES, paintMinutes: 1.5, handMinutes: 0.5, waterMinutes: 1.5 };
const pot = (id: string, kind: 'opaque' | 'metallic') => ({ id, name: id, kind, hex: '#808080' }) as unknown as Pot;
const pots = new Map([pot('red', 'opaque'), pot('blue', 'opaque'), pot('brass', 'metallic')].map((each) => [each.id, each]));

const paint = { from: 'basecoat|red', to: 'basecoat|blue' };
const brush = { from: 'basecoat|red', to: 'edge|red' };
const both = { from: 'basecoat|red', to: 'edge|blue' };
const afterMetal = { from: 'basecoat|brass', to: 'basecoat|blue' };
const spray = { from: 'basecoat|red', to: 'prime|blue' };

const measured = (of: Pick<MeasuredSetup, 'from' | 'to'>, minutes: number, times = 1): MeasuredSetup[] =>
  Array.from({ length: times }, () => ({ ...of, isFetched: false, minutes }));

describe('what changes of setup take', () => {
  it('are as typed while nothing is measured', () => {
    const learned = learnSetups([], pots, house);
    for (const field of SETUP_FIELDS) expect(learned[field]).to.deep.equal({ minutes: house[field], typed: house[field], setups: 0 });
    expect(withSetups(house, learned)).to.deep.equal(house);
  });

  it('are told apart by the changes they are part of', () => {
    const truth = { paint: 3, hand: 1, water: 4 };
    const random = new Random(3);
    const around = (minutes: number) => minutes * Math.exp(0.3 * (random.uniform() - 0.5));
    const rows = Array.from({ length: 30 }, () => [
      ...measured(paint, around(truth.paint)),
      ...measured(brush, around(truth.hand)),
      ...measured(both, around(truth.paint + truth.hand)),
      ...measured(afterMetal, around(truth.paint + truth.water)),
    ]).flat();
    const learned = learnSetups(rows, pots, house);
    expect(learned.paintMinutes.minutes).to.be.closeTo(truth.paint, 0.25);
    expect(learned.handMinutes.minutes).to.be.closeTo(truth.hand, 0.15);
    expect(learned.waterMinutes.minutes).to.be.closeTo(truth.water, 0.7);
    expect(learned.paintMinutes.setups).to.equal(90);
    expect(learned.sprayMinutes).to.include({ minutes: house.sprayMinutes, setups: 0 });
  });

  it('move little by one change, and by one that was no change at all', () => {
    const few = learnSetups(measured(paint, 3), pots, house).paintMinutes.minutes;
    expect(few).to.be.within(1.6, 2.4);
    const steady = learnSetups(measured(paint, 2, 20), pots, house).paintMinutes.minutes;
    const broken = learnSetups([...measured(paint, 2, 20), ...measured(paint, 40)], pots, house).paintMinutes.minutes;
    expect(broken / steady).to.be.within(1, 1.06);
    expect(learnSetups(measured(paint, 0.01, 20), pots, house).paintMinutes.setups).to.equal(0);
  });

  it('stay nothing where nothing is typed, and take the rest of the change', () => {
    const learned = learnSetups(measured(both, 2, 20), pots, { ...house, handMinutes: 0 });
    expect(learned.handMinutes.minutes).to.equal(0);
    expect(learned.paintMinutes.minutes).to.be.closeTo(2, 0.1);
    expect(learnSetups(measured(spray, 12, 20), pots, house).sprayMinutes.minutes).to.be.within(7, 12);
  });
});
