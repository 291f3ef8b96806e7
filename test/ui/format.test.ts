import { expect } from 'chai';
import {
  clockText,
  counted,
  daysUntil,
  dayText,
  differenceText,
  exactMoneyText,
  minutesText,
  moneyText,
  percentText,
} from '../../src/ui/format';

describe('numbers for people', () => {
  it('says times as people do', () => {
    expect([0, 0.46, 1.5, 9.94, 9.96, 59.6, 60, 85, 600].map(minutesText)).to.deep.equal([
      '0 min',
      '0.5 min',
      '1.5 min',
      '9.9 min',
      '10 min',
      '1 h',
      '1 h',
      '1 h 25 min',
      '10 h',
    ]);
    expect(minutesText(Infinity)).to.equal('–');
  });
  it('signs differences', () => {
    expect([38, -38, 0.01].map(differenceText)).to.deep.equal(['+38 min', '−38 min', 'no change']);
  });
  it('runs a clock', () => {
    expect([0, 65, 3725, -3].map(clockText)).to.deep.equal(['0:00', '1:05', '1:02:05', '0:00']);
  });
  it('writes money in the minor units of its currency', () => {
    expect(moneyText(240000, 'EUR')).to.equal('€2,400');
    expect([exactMoneyText(1250, 'EUR'), exactMoneyText(-1250, 'JPY')]).to.deep.equal(['€12.50', '−JP¥1,250']);
  });
  it('counts days on the calendar, whatever the hour', () => {
    const late = new Date(2026, 10, 23, 23, 50).getTime();
    expect([daysUntil('2026-11-24', late), daysUntil('2026-11-23', late), daysUntil('2026-11-20', late)]).to.deep.equal([1, 0, -3]);
    expect(dayText('2026-11-30')).to.equal('Mon 30 Nov');
  });
  it('counts things', () => {
    expect([counted(1, 'model'), counted(2, 'model'), counted(2, 'miss', 'misses')]).to.deep.equal(['1 model', '2 models', '2 misses']);
    expect(percentText(0.424)).to.equal('42%');
  });
});
