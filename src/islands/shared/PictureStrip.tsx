import { useRef, useState, type ClipboardEvent, type DragEvent } from 'react';
import { CLOSENESSES, type Picture } from '../../core/commission/pictures';
import { pictureUrl } from '../../contract/pictureUrl';
import { Button } from '../../ui/Button/Button';
import { SelectField, TextField } from '../../ui/Field/Field';
import { Hidden } from '../../ui/Hidden/Hidden';
import { cx } from '../../ui/cx';
import { picturesAt, type PicturePlace, type Pictures } from '../client/usePictures';
import { Working } from '../../ui/Working/Working';
import { X } from '../../ui/icons';
import styles from './Pictures.module.css';

interface PictureStripProps {
  pictures: Pictures;
  place: PicturePlace;
  /** What they are pictures of: Lamp keepers. */
  of: string;
}

const isPicture = (file: File) => file.type.startsWith('image/') || file.type === '';
const closenessOptions = CLOSENESSES.map((value) => ({ value, label: `follow ${value}` }));

const WHAT = {
  reference: 'reference picture',
  'test model': 'picture of the test model',
  inspection: 'picture to inspect',
} as const satisfies Record<PicturePlace['kind'], string>;

/** The pictures at one place: dropped, pasted or chosen, each with how closely it is to be followed. */
export function PictureStrip({ pictures, place, of }: PictureStripProps) {
  const [last, setLast] = useState<string | null>(null);
  return (
    <div className={styles.pictures} data-pictures={of}>
      <div className={styles.list}>
        {picturesAt(pictures, place).map((picture) => (
          <Shown
            key={picture.id}
            picture={picture}
            of={of}
            pictures={pictures}
            onRemove={() => {
              setLast(picture.id);
              pictures.setRemoved(picture.id, true);
            }}
          />
        ))}
      </div>
      <PictureDrop pictures={pictures} place={place} of={of} last={last} />
    </div>
  );
}

/** Where pictures of a place are dropped, pasted or chosen; the one that was taken out last (`last`) can be put back. */
export function PictureDrop({ pictures, place, of, last }: PictureStripProps & { last: string | null }) {
  const input = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const [isBusy, setBusy] = useState(false);
  const what = WHAT[place.kind];
  const add = async (files: Iterable<File>) => {
    const chosen = [...files].filter(isPicture);
    if (chosen.length === 0) return;
    setBusy(true);
    await pictures.add(chosen, place);
    setBusy(false);
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void add(event.dataTransfer.files);
  };
  const onPaste = (event: ClipboardEvent) => {
    if (event.clipboardData.files.length === 0) return;
    event.preventDefault();
    void add(event.clipboardData.files);
  };
  return (
    <div
      className={cx(styles.drop, isOver && styles.over)}
      tabIndex={0}
      role="group"
      aria-label={`Drop or paste a ${what}: ${of}`}
      onDragOver={(event) => (event.preventDefault(), setOver(true))}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      onPaste={onPaste}
    >
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        hidden
        aria-label={`File of a ${what}: ${of}`}
        onChange={(event) => {
          void add(event.target.files ?? []);
          event.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>
        Choose a picture
        <Hidden>
          {' '}
          ({what}: {of})
        </Hidden>
      </Button>
      <span>or drop or paste one here</span>
      {isBusy && (
        <span role="status">
          <Working label="Storing …" />
        </span>
      )}
      {last !== null && pictures.all.some((each) => each.id === last && each.removedAt !== null) && (
        <Button kind="quiet" onClick={() => pictures.setRemoved(last, false)}>
          Put the picture back
        </Button>
      )}
      {pictures.error && <span role="alert">{pictures.error}</span>}
      {pictures.unsaved.size > 0 && <Button onClick={pictures.retry}>Try again</Button>}
    </div>
  );
}

interface ShownProps {
  picture: Picture;
  of: string;
  pictures: Pictures;
  onRemove: () => void;
}

function Shown({ picture, of, pictures, onRemove }: ShownProps) {
  const [caption, setCaption] = useState(picture.caption);
  const store = () => caption !== picture.caption && pictures.change(picture.id, { caption });
  return (
    <figure className={styles.picture}>
      <a href={pictureUrl(picture.id)} target="_blank" rel="noreferrer">
        <img src={pictureUrl(picture.id)} alt={picture.caption || `${of}, ${picture.kind}`} loading="lazy" />
      </a>
      <TextField
        label={`Caption, ${of}`}
        hideLabel
        placeholder="What it shows"
        value={caption}
        maxLength={200}
        onChange={setCaption}
        onBlur={store}
      />
      <span className={styles.tools}>
        {picture.kind === 'reference' && (
          <SelectField
            label={`How closely, ${of}`}
            hideLabel
            value={picture.closeness}
            options={closenessOptions}
            onChange={(closeness) => pictures.change(picture.id, { closeness })}
          />
        )}
        <Button kind="quiet" aria-label={`Remove the picture of ${of}`} onClick={onRemove}>
          <X aria-hidden="true" size={16} />
        </Button>
      </span>
    </figure>
  );
}

/** Pictures to look at only, with their captions. */
export function PlainPictures({ pictures }: { pictures: readonly Picture[] }) {
  if (pictures.length === 0) return null;
  return (
    <div className={styles.list}>
      {pictures.map((picture) => (
        <figure key={picture.id} className={styles.plainPicture}>
          <a href={pictureUrl(picture.id)} target="_blank" rel="noreferrer">
            <img src={pictureUrl(picture.id)} alt={picture.caption || 'reference'} loading="lazy" />
          </a>
          <figcaption>
            {picture.caption} (follow {picture.closeness})
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
