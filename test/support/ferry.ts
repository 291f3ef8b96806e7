import { expect } from 'chai';
import type { Paint, Unit } from '../../src/core/scheme/model/definitions';
import { writeCommission } from '../../src/core/formats/commission/commission';

/** Takes a small commission, called ferry, of these units into a running program; nothing of it is painted yet. */
export async function importFerry(url: string, paints: Paint[], units: Unit[]): Promise<void> {
  const body = writeCommission({
    id: 'ferry',
    name: 'Ferry crew',
    client: 'Harbour guild',
    dueOn: '2099-12-01',
    standard: 'quick',
    hourlyRateMinor: 2400,
    currency: 'EUR',
    note: '',
    closedAt: null,
    paints,
    units,
    events: [],
    judgements: [],
  });
  const taken = await fetch(`${url}/api/commissions/import`, { method: 'POST', headers: { origin: url }, body });
  expect(taken.status, await taken.text()).to.equal(200);
}
