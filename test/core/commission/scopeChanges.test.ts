import { expect } from 'chai';
import { scopeDifferences, writtenDown } from '../../../src/core/commission/scopeChanges';
import type { ScopeChange } from '../../../src/core/commission/scope';
import { unit } from '../../support/units';

const commission = { standard: 'table' as const, dueOn: '2026-12-20' };
const keepers = unit('Keepers', [], [], { promised: 10 });
const of = (units = [keepers], more: object = {}) => ({ commission: { ...commission, ...more }, units });

describe('a change of scope', () => {
  it('is about models, sizes, units, the standard and the date', () => {
    expect(scopeDifferences(of(), of([{ ...keepers, promised: 12, owned: 3 }]))).to.deep.equal([
      { unitId: keepers.id, unit: 'Keepers', subject: 'models', before: '10', after: '9' },
    ]);
    expect(scopeDifferences(of(), of([{ ...keepers, size: 'heavy' }])).map(({ subject }) => subject)).to.deep.equal(['size']);
    expect(scopeDifferences(of([]), of())[0]).to.include({ subject: 'unit added', after: '10' });
    expect(scopeDifferences(of(), of([]))[0]).to.include({ subject: 'unit removed', before: '10' });
    expect(scopeDifferences(of(), of([keepers], { standard: 'full', dueOn: '2027-01-10' })).map(({ subject }) => subject)).to.deep.equal([
      'standard',
      'due date',
    ]);
  });

  it('is not what was counted, or another name', () =>
    expect(scopeDifferences(of(), of([{ ...keepers, name: 'Lamp keepers', counted: 9 }]))).to.deep.equal([]));

  const entry = (hour: number, minutesAfter: number) => ({
    id: `e${hour}`,
    commissionId: 'c',
    at: `2026-11-24T${hour}:00:00.000Z`,
    minutesBefore: 100,
    minutesAfter,
  });
  const more = (before: string, after: string) => ({ unitId: 'a', unit: 'Keepers', subject: 'models' as const, before, after });
  const first: ScopeChange = { ...more('10', '1'), ...entry(10, 90), note: '', priceMinor: null, takenBackAt: null };

  it('grows while it is typed, and goes when it is taken back', () => {
    const { kept } = writtenDown([first], more('1', '12'), entry(11, 120));
    expect(kept).to.include({ id: 'e10', before: '10', after: '12', minutesBefore: 100, minutesAfter: 110 });
    expect(writtenDown([first], more('1', '10'), entry(11, 100))).to.deep.equal({ kept: null, gone: 'e10', takenBack: null });
  });

  it('is a new one once the last has a note, or on another day', () => {
    expect(writtenDown([{ ...first, note: 'by mail' }], more('1', '12'), entry(11, 120)).kept!.id).to.equal('e11');
    const later = { ...entry(11, 120), at: '2026-11-25T11:00:00.000Z' };
    expect(writtenDown([first], more('1', '12'), later).kept!.id).to.equal('e11');
  });
});
