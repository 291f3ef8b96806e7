import { useRef, useState } from 'react';
import { hasScheme, modelsOf, type Paint, type Scheme } from '../../core/scheme/model/definitions';
import type { SavedScheme, SchemePicture } from '../../contract/commission';
import type { StoredUnit } from '../../core/commission/definitions';
import type { PassEstimates } from '../../core/commission/estimate';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted, minutesText } from '../../ui/format';
import type { ShelfPicture } from '../../contract/shelf';
import { send } from '../client/api';
import { Opened } from '../shared/Opened';
import { PlanLine } from '../shared/PlanLine';
import { keepInAddress, UnitTabs } from '../shared/UnitTabs';
import { usePictures } from '../client/usePictures';
import type { Linking } from './whole/Linked';
import { UnitScheme } from './UnitScheme';
import { usePainted } from './step/usePainted';
import styles from './View.module.css';

interface SchemeViewProps {
  commissionId: string;
  wantedUnit: string | null;
  wantedStep: string | null;
}

export function SchemeView(props: SchemeViewProps) {
  return (
    <Opened<SchemePicture> url={`/api/commissions/${props.commissionId}/scheme`} what="the schemes">
      {(picture) => <OpenedScheme {...props} picture={picture} />}
    </Opened>
  );
}

function OpenedScheme({ picture, commissionId, wantedUnit, wantedStep }: SchemeViewProps & { picture: SchemePicture }) {
  const [units, setUnits] = useState(picture.units);
  const revisions = useRef(new Map(picture.units.map((unit) => [unit.id, unit.schemeRevision])));
  const saves = useRef(new Map<string, Promise<void>>());
  const storing = useRef<(() => Promise<boolean>) | null>(null);
  /** Goes on when the scheme that is shown came from elsewhere: it begins anew. */
  const [epoch, setEpoch] = useState(0);
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

  /** Everything that was changed is stored; false where it could not be. */
  const settled = async (): Promise<boolean> => {
    await storing.current?.();
    // One was on its way: what came after it goes now.
    await saves.current.get(unit.id)?.catch(() => undefined);
    return (await storing.current?.()) ?? true;
  };
  const show = async (id: string) => {
    const isSame = unit.linked !== null && units.find((each) => each.id === id)?.linked === unit.linked;
    // What is changed here is changed there: it is opened as it is by then.
    if (isSame && !(await settled())) return;
    setShown(id);
    keepInAddress(id);
  };
  const putUnits = (changed: Pick<StoredUnit, 'id' | 'scheme' | 'schemeRevision'>[]) => {
    const by = new Map(changed.map((each) => [each.id, each]));
    for (const { id, schemeRevision } of changed) revisions.current.set(id, schemeRevision);
    setUnits((all) => all.map((each) => ({ ...each, ...by.get(each.id) })));
  };
  const link = async ({ lead, ...linking }: Linking) => {
    if (!(await settled())) throw new Error('What was changed here is not saved yet: save it first, then try again.');
    const changed = await send<StoredUnit[]>('POST', `/api/units/${lead}/linked`, linking);
    const passes = await send<PassEstimates>('GET', `/api/commissions/${commissionId}/passes`);
    // Together: a unit with a scheme and no minutes yet would read as no work.
    putUnits(changed);
    setEstimate(passes);
    if (lead !== unit.id) setEpoch((last) => last + 1);
  };
  const saveScheme = (scheme: Scheme): Promise<void> => {
    const { id } = unit;
    setUnits((all) => all.map((each) => (each.id === id ? { ...each, scheme } : each)));
    // One save of a unit after the other, also when it is left and opened again meanwhile: each needs the revision of the last.
    const store = async () => {
      const answer = await send<SavedScheme>('PUT', `/api/units/${id}/scheme`, { revision: revisions.current.get(id), scheme });
      revisions.current.set(id, answer.revision);
      putUnits(answer.linked);
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
  /** Mixes look otherwise once their paints are known to be stronger. */
  const learnStrengths = async () => {
    const { paints: shelf } = await send<ShelfPicture>('GET', '/api/shelf');
    const strengths = new Map(shelf.map(({ id, strength }) => [id, strength]));
    setPaints((all) =>
      all.map(({ strength: _before, ...paint }) => {
        const strength = strengths.get(paint.id);
        return strength === undefined ? paint : { ...paint, strength };
      }),
    );
  };
  const next = units.find((each) => each.id !== unit.id && !hasScheme(each));
  const isLinked = ({ linked }: StoredUnit) => linked !== null && units.filter((each) => each.linked === linked).length > 1;
  const minutesOfUnit = (id: string) =>
    estimate.passes.filter((pass) => pass.unitId === id).reduce((sum, pass) => sum + pass.unitMinutes, 0);

  return (
    <div className={styles.view}>
      <UnitTabs
        units={units.map((each) => ({
          id: each.id,
          name: each.name,
          detail: `${isLinked(each) ? 'linked, ' : ''}${counted(modelsOf(each), 'model')}, ${hasScheme(each) ? minutesText(minutesOfUnit(each.id)) : 'no scheme yet'}`,
        }))}
        shown={unit.id}
        onShow={(id) => void show(id)}
        controls="scheme"
      />
      {picture.hasPrice ? (
        <PlanLine kind="main" commissionId={commissionId} className={styles.toLine}>
          Next: in which order?
        </PlanLine>
      ) : (
        <LinkButton kind="main" href={`/c/${commissionId}/money`} className={styles.toLine}>
          Next: what does it cost?
        </LinkButton>
      )}
      <UnitScheme
        key={`${unit.id} ${epoch}`}
        unit={unit}
        others={units.filter((each) => each.id !== unit.id)}
        wantedStep={wantedStep}
        onLink={link}
        next={next ? { name: next.name, onShow: () => void show(next.id) } : null}
        onStoring={(store) => {
          storing.current = store;
        }}
        standard={picture.commission.standard}
        paints={paints}
        house={picture.house}
        pictures={pictures}
        estimate={estimate}
        onSave={saveScheme}
        onNewPaint={addPaint}
        onLearned={() => void learnStrengths().catch(() => undefined)}
        painted={painted}
        onMarked={refreshPainted}
        revisions={picture.revisions.filter((each) => each.unitId === unit.id)}
        removed={picture.removed.filter((each) => each.unitId === unit.id)}
      />
    </div>
  );
}
