import { useCallback, useEffect, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { NewUnit } from '../../core/formats/commission/readRoster';
import { cleaningOf, gluedLaterOf } from '../../core/scheme/authoring/buildChoices';
import { UNCOUNTED } from '../../core/scheme/model/definitions';
import { type Commission, type StoredUnit } from '../../core/commission/definitions';
import type { IntakePicture, IntakeUnit } from '../../contract/commission';
import type { CommissionEstimate } from '../../core/commission/estimate';
import type { IntakeFigures } from '../../contract/intakeFigures';
import { send } from '../client/api';
import { useDerived } from '../client/useDerived';
import { useSaved } from '../client/useSaved';

export type CommissionEntry = Omit<Commission, 'id'>;

export interface IntakeValue {
  commission: CommissionEntry;
  units: IntakeUnit[];
}

const NEW_TRAY_LIMIT = 10;
/** So long what stands below the figures waits for them. */
const PATIENCE_MS = 1500;

const unitEntry = ({ commissionId: _commission, schemeRevision: _revision, scheme, ...unit }: StoredUnit): IntakeUnit => ({
  ...unit,
  cleaning: cleaningOf(scheme),
  gluedLater: gluedLaterOf(scheme),
});

const entryOf = ({ name, promised, size }: NewUnit): IntakeUnit => ({
  ...UNCOUNTED,
  id: ulid(),
  name,
  size,
  promised,
  trayLimit: NEW_TRAY_LIMIT,
  cleaning: 'none',
  gluedLater: [],
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
  const { figures, isSettled, refresh } = useFigures(id);
  const saved = useSaved<IntakeValue>({
    initial: { commission: commissionEntry(picture.commission), units: picture.units.map(unitEntry) },
    save: async (value) => {
      const answer = await send<{ revision: number }>('PUT', `/api/commissions/${id}`, { revision: revision.current, ...value });
      revision.current = answer.revision;
      setEstimate(await send<CommissionEstimate>('GET', `/api/commissions/${id}/estimate`));
      refresh();
    },
  });
  const { value, change } = saved;
  return {
    ...saved,
    estimate,
    figures,
    /** The figures are there, or cannot be waited for. */
    isSettled,
    refreshFigures: refresh,
    changeCommission: (part: Partial<CommissionEntry>) => change({ ...value, commission: { ...value.commission, ...part } }),
    changeUnit: (unitId: string, part: Partial<IntakeUnit>) =>
      change({ ...value, units: value.units.map((unit) => (unit.id === unitId ? { ...unit, ...part } : unit)) }),
    /** What is to be another in each unit; null where nothing is. */
    changeUnits: (part: (unit: IntakeUnit) => Partial<IntakeUnit> | null) =>
      change({ ...value, units: value.units.map((unit) => ({ ...unit, ...part(unit) })) }),
    addUnits: (units: readonly NewUnit[]) => change({ ...value, units: [...value.units, ...units.map(entryOf)] }),
    bringBack: (unit: StoredUnit) => change({ ...value, units: [...value.units, { ...unitEntry(unit), testedBy: null }] }),
    removeUnit: (unitId: string) =>
      change({
        ...value,
        units: value.units
          .filter((unit) => unit.id !== unitId)
          .map((unit) => (unit.testedBy === unitId ? { ...unit, testedBy: null } : unit)),
      }),
  };
}

/** What takes longer to work out follows beside; what was worked out before stays where the program does not answer. */
function useFigures(id: string) {
  const [isPatient, setPatient] = useState(true);
  const ask = useCallback(() => send<IntakeFigures>('GET', `/api/commissions/${id}/figures`), [id]);
  const { value: figures, error, again: refresh } = useDerived(ask, { keeps: true });
  useEffect(() => {
    const patience = setTimeout(() => setPatient(false), PATIENCE_MS);
    return () => clearTimeout(patience);
  }, []);
  return { figures, isSettled: !isPatient || figures !== null || error !== null, refresh };
}
