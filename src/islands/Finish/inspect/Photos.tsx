import { useState, type MouseEvent } from 'react';
import { ulid } from 'ulid';
import type { PhotoSpot, Picture } from '../../../core/commission/pictures';
import type { UnitInspection } from '../../../core/finish/inspection';
import { pictureUrl } from '../../../contract/pictureUrl';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { dayOfText } from '../../../ui/format';
import { picturesAt, usePictures, type Pictures } from '../../client/usePictures';
import { PictureDrop } from '../../shared/PictureStrip';
import type { Finish } from '../useFinish';
import shared from '../View.module.css';
import styles from './inspect.module.css';

/** A picture shows what the eye at the bench does not: spots are marked on it, tied to a model, and go to the round. */
export function Photos({ finish, unit }: { finish: Finish; unit: UnitInspection }) {
  const pictures = usePictures(finish.picture.commission.id);
  const [last, setLast] = useState<string | null>(null);
  const place = { unitId: unit.unitId, partId: null, kind: 'inspection' as const };
  const shown = picturesAt(pictures, place);
  return (
    <Panel title={`Pictures of ${unit.name}, to look at closely`}>
      <p className={shared.hint}>
        Take them before the varnish, and again after the round, in the same light. A click on a picture marks a spot.
      </p>
      <div className={styles.photos} data-testid="photos">
        {shown.map((picture, index) => (
          <Photo
            key={picture.id}
            picture={picture}
            when={shown.length < 2 ? '' : index === 0 ? 'Before' : index === shown.length - 1 ? 'After' : 'Between'}
            unit={unit}
            pictures={pictures}
            onMiss={(spot) => spot.passKey !== null && finish.miss(unit.unitId, spot.passKey, [spot.model!], spot.note)}
            onRemove={() => {
              setLast(picture.id);
              pictures.setRemoved(picture.id, true);
            }}
          />
        ))}
      </div>
      <PictureDrop pictures={pictures} place={place} of={unit.name} last={last} />
    </Panel>
  );
}

interface PhotoProps {
  picture: Picture;
  /** Before or after; empty while it is the only one. */
  when: string;
  unit: UnitInspection;
  pictures: Pictures;
  onMiss: (spot: PhotoSpot) => void;
  onRemove: () => void;
}

function Photo({ picture, when, unit, pictures, onMiss, onRemove }: PhotoProps) {
  const [light, setLight] = useState(picture.light);
  const [caption, setCaption] = useState(picture.caption);
  const [placing, setPlacing] = useState<{ x: number; y: number } | null>(null);
  const name = `${unit.name}, ${when === '' ? '' : `${when.toLowerCase()}, `}${dayOfText(Date.parse(picture.addedAt))}`;
  const place = (event: MouseEvent<HTMLButtonElement>) => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    // By keyboard there is no place to click at: the middle is one.
    const isKey = event.detail === 0;
    setPlacing(isKey ? { x: 0.5, y: 0.5 } : { x: (event.clientX - left) / width, y: (event.clientY - top) / height });
  };
  const put = (spot: PhotoSpot) => {
    pictures.change(picture.id, { spots: [...picture.spots, spot] });
    if (spot.model !== null && spot.passKey !== null) onMiss(spot);
    setPlacing(null);
  };
  const isOpen = ({ model, passKey }: PhotoSpot) =>
    unit.models.find((each) => each.model === model)?.misses.some((miss) => miss.passKey === passKey) ?? false;
  const whatOf = (spot: PhotoSpot) => {
    const step = unit.models.flatMap(({ painted }) => painted).find(({ passKey }) => passKey === spot.passKey)?.what;
    const where = [spot.model === null ? '' : `model ${spot.model}`, step?.toLowerCase() ?? ''].filter(Boolean).join(', ');
    return [where || 'not tied to a model', spot.note].filter(Boolean).join(': ');
  };
  return (
    <figure className={styles.photo}>
      <figcaption className={shared.row}>
        <strong>{when || dayOfText(Date.parse(picture.addedAt))}</strong>
        <span className={shared.hint}>{when !== '' && dayOfText(Date.parse(picture.addedAt))}</span>
        <Button kind="quiet" onClick={onRemove}>
          Remove
        </Button>
      </figcaption>
      <button type="button" className={styles.shot} aria-label={`Mark a spot on the picture: ${name}`} onClick={place}>
        <img src={pictureUrl(picture.id)} alt={picture.caption || name} width={picture.width} height={picture.height} />
        {picture.spots.map((spot, index) => (
          <span key={spot.id} className={styles.spot} style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }} aria-hidden="true">
            {index + 1}
          </span>
        ))}
        {placing && (
          <span className={styles.spot} style={{ left: `${placing.x * 100}%`, top: `${placing.y * 100}%` }} aria-hidden="true">
            ?
          </span>
        )}
      </button>
      {placing && <NewSpot unit={unit} at={placing} onPut={put} onCancel={() => setPlacing(null)} />}
      {picture.spots.length > 0 && (
        <ol>
          {picture.spots.map((spot) => (
            <li key={spot.id}>
              {whatOf(spot)}
              {spot.passKey !== null && (isOpen(spot) ? ', to mend' : ', mended')}{' '}
              <Button
                kind="quiet"
                aria-label={`Take the spot off the picture: ${whatOf(spot)}`}
                onClick={() => pictures.change(picture.id, { spots: picture.spots.filter(({ id }) => id !== spot.id) })}
              >
                Take off
              </Button>
            </li>
          ))}
        </ol>
      )}
      <TextField
        label={`Light, ${name}`}
        hideLabel
        placeholder="Light: lamp from the left, white paper behind"
        value={light}
        maxLength={200}
        onChange={setLight}
        onBlur={() => light !== picture.light && pictures.change(picture.id, { light })}
      />
      <TextField
        label={`Caption, ${name}`}
        hideLabel
        placeholder="What it shows, for the client"
        value={caption}
        maxLength={200}
        onChange={setCaption}
        onBlur={() => caption !== picture.caption && pictures.change(picture.id, { caption })}
      />
      <label className={shared.row}>
        <input
          type="checkbox"
          checked={picture.forClient}
          onChange={(event) => pictures.change(picture.id, { forClient: event.target.checked })}
        />
        On the hand-over sheet
      </label>
    </figure>
  );
}

interface NewSpotProps {
  unit: UnitInspection;
  at: { x: number; y: number };
  onPut: (spot: PhotoSpot) => void;
  onCancel: () => void;
}

function NewSpot({ unit, at, onPut, onCancel }: NewSpotProps) {
  const [model, setModel] = useState('');
  const [passKey, setPassKey] = useState('');
  const [note, setNote] = useState('');
  const painted = unit.models.find((each) => String(each.model) === model)?.painted ?? [];
  return (
    <div className={shared.column} role="group" aria-label="What is there?">
      <div className={shared.fields}>
        <SelectField
          label="On which model"
          value={model}
          options={[
            { value: '', label: 'not said' },
            ...unit.models.map((each) => ({ value: String(each.model), label: `model ${each.model}` })),
          ]}
          onChange={(value) => {
            setModel(value);
            setPassKey('');
          }}
        />
        <SelectField
          label="Under which step"
          value={passKey}
          disabled={painted.length === 0}
          options={[{ value: '', label: 'not said' }, ...painted.map((step) => ({ value: step.passKey, label: step.what }))]}
          onChange={setPassKey}
        />
      </div>
      <TextField label="What it is" value={note} maxLength={4000} onChange={setNote} />
      <span className={shared.row}>
        <Button
          onClick={() =>
            onPut({
              id: ulid(),
              ...at,
              model: model === '' ? null : Number(model),
              passKey: passKey === '' ? null : passKey,
              note: note.trim(),
            })
          }
        >
          {passKey === '' ? 'Mark it' : 'Mark it, to mend'}
        </Button>
        <Button kind="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </span>
    </div>
  );
}
