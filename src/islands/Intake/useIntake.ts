import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { NewUnit } from '../../core/formats/readRoster';
import type { Commission } from '../../core/scheme/definitions';
import type { IntakePicture } from '../../core/views/commission';
import type { CommissionEstimate } from '../../core/views/estimate';
import type { UnitEntry } from '../../core/views/stored';
import { send } from '../shared/api';
import { useSaved } from '../shared/useSaved';

export type CommissionEntry = Omit<Commission, 'id'>;

export interface IntakeValue {
  commission: CommissionEntry;
  units: UnitEntry[];
}

const NEW_TRAY_LIMIT = 10;

const unitEntry = ({ id, name, size, promised, counted, countNote, trayLimit, testModel }: UnitEntry): UnitEntry => ({
  id,
  name,
  size,
  promised,
  counted,
  countNote,
  trayLimit,
  testModel,
});

const entryOf = ({ name, promised, size }: NewUnit): UnitEntry => ({
  id: ulid(),
  name,
  size,
  promised,
  counted: null,
  countNote: '',
  trayLimit: NEW_TRAY_LIMIT,
  testModel: 'none',
});

const commissionEntry = ({ name, client, dueOn, standard, hourlyRateMinor, currency, note }: Commission): CommissionEntry => ({
  name,
  client,
  dueOn,
  standard,
  hourlyRateMinor,
  currency,
  note,
});

/** Intake edited in place: every change is stored, and the hours and the price follow. */
export function useIntake(picture: IntakePicture) {
  const revision = useRef(picture.commission.revision);
  const [estimate, setEstimate] = useState<CommissionEstimate>(picture.estimate);
  const { id } = picture.commission;
  const saved = useSaved<IntakeValue>({
    initial: { commission: commissionEntry(picture.commission), units: picture.units.map(unitEntry) },
    save: async (value) => {
      const answer = await send<{ revision: number }>('PUT', `/api/commissions/${id}`, { revision: revision.current, ...value });
      revision.current = answer.revision;
      setEstimate(await send<CommissionEstimate>('GET', `/api/commissions/${id}/estimate`));
    },
  });
  const { value, change } = saved;
  return {
    ...saved,
    estimate,
    changeCommission: (part: Partial<CommissionEntry>) => change({ ...value, commission: { ...value.commission, ...part } }),
    changeUnit: (unitId: string, part: Partial<UnitEntry>) =>
      change({ ...value, units: value.units.map((unit) => (unit.id === unitId ? { ...unit, ...part } : unit)) }),
    addUnits: (units: readonly NewUnit[]) => change({ ...value, units: [...value.units, ...units.map(entryOf)] }),
    bringBack: (unit: UnitEntry) => change({ ...value, units: [...value.units, unitEntry(unit)] }),
    removeUnit: (unitId: string) => change({ ...value, units: value.units.filter((unit) => unit.id !== unitId) }),
  };
}
