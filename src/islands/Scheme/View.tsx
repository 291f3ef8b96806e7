import { useRef, useState } from 'react';
import { hasScheme, modelsOf, type Paint, type Scheme } from '../../core/scheme/model/definitions';
import type { SchemePicture } from '../../contract/commission';
import type { PassEstimates } from '../../core/commission/estimate';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted, minutesText } from '../../ui/format';
import { send } from '../client/api';
import { Opened } from '../shared/Opened';
import { PlanLine } from '../shared/PlanLine';
import { keepInAddress, UnitTabs } from '../shared/UnitTabs';
import { usePictures } from '../client/usePictures';
import { UnitScheme } from './UnitScheme';
import { usePainted } from './usePainted';
import styles from './View.module.css';

interface SchemeViewProps {
  commissionId: string;
  wantedUnit: string | null;
}

export function SchemeView(props: SchemeViewProps) {
  return (
    <Opened<SchemePicture> url={`/api/commissions/${props.commissionId}/scheme`} what="the schemes">
      {(picture) => <OpenedScheme {...props} picture={picture} />}
    </Opened>
  );
}

function OpenedScheme({ picture, commissionId, wantedUnit }: SchemeViewProps & { picture: SchemePicture }) {
  const [units, setUnits] = useState(picture.units);
  const revisions = useRef(new Map(picture.units.map((unit) => [unit.id, unit.schemeRevision])));
  const saves = useRef(new Map<string, Promise<void>>());
  const [paints, setPaints] = useState(picture.paints);
  const [estimate, setEstimate] = useState(picture.estimate);
  const [shown, setShown] = useState(() => (picture.units.find((unit) => unit.id === wantedUnit) ?? picture.units[0])?.id);
  const pictures = usePictures(commissionId);
  const { painted, refresh: refreshPainted } = usePainted(commissionId, picture.painted);
  const unit = units.find((each) => each.id === shown);
  if (!unit) {
    return (
      <Notice>
        <p>No units yet. A scheme belongs to a unit of alike models.</p>
        <LinkButton kind="main" href={`/c/${commissionId}/intake`}>
          Enter the units first
        </LinkButton>
      </Notice>
    );
  }

  const show = (id: string) => {
    setShown(id);
    keepInAddress(id);
  };
  const saveScheme = (scheme: Scheme): Promise<void> => {
    const { id } = unit;
    setUnits((all) => all.map((each) => (each.id === id ? { ...each, scheme } : each)));
    // One save of a unit after the other, also when it is left and opened again meanwhile: each needs the revision of the last.
    const store = async () => {
      const answer = await send<{ revision: number }>('PUT', `/api/units/${id}/scheme`, { revision: revisions.current.get(id), scheme });
      revisions.current.set(id, answer.revision);
      setEstimate(await send<PassEstimates>('GET', `/api/commissions/${commissionId}/passes`));
    };
    const stored = (saves.current.get(id) ?? Promise.resolve()).then(store, store);
    saves.current.set(id, stored);
    return stored;
  };
  const addPaint = async (paint: Paint) => {
    await send('PUT', '/api/paints', { revision: 0, paint });
    setPaints((all) => [...all, paint]);
  };
  const minutesOfUnit = (id: string) =>
    estimate.passes.filter((pass) => pass.unitId === id).reduce((sum, pass) => sum + pass.unitMinutes, 0);

  return (
    <div className={styles.view}>
      <UnitTabs
        units={units.map((each) => ({
          id: each.id,
          name: each.name,
          detail: `${counted(modelsOf(each), 'model')}, ${hasScheme(each) ? minutesText(minutesOfUnit(each.id)) : 'no scheme yet'}`,
        }))}
        shown={unit.id}
        onShow={show}
        controls="scheme"
      />
      <PlanLine kind="main" commissionId={commissionId} className={styles.toLine}>
        Next: in which order?
      </PlanLine>
      <UnitScheme
        key={unit.id}
        unit={unit}
        others={units.filter((each) => each.id !== unit.id && each.scheme.parts.length > 0)}
        standard={picture.commission.standard}
        paints={paints}
        house={picture.house}
        pictures={pictures}
        estimate={estimate}
        onSave={saveScheme}
        onNewPaint={addPaint}
        painted={painted}
        onMarked={refreshPainted}
        revisions={picture.revisions.filter((each) => each.unitId === unit.id)}
        removed={picture.removed.filter((each) => each.unitId === unit.id)}
      />
    </div>
  );
}
