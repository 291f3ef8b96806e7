import { useCallback, useRef, useState } from 'react';
import { recommended, type Match } from '../../../core/paint/match';
import type { Paint } from '../../../core/scheme/model/definitions';
import type { Picture } from '../../../core/commission/pictures';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { counted, plain } from '../../../ui/format';
import { useDerived } from '../../client/useDerived';
import { callOnce } from '../../client/WorkerCalls';
import { Broken } from '../Broken';
import type { MatchWorker } from '../../workers/match.worker';
import { Eyedropper } from './Eyedropper';
import { Working } from '../../../ui/Working/Working';
import styles from './matching.module.css';

const begin = () => new Worker(new URL('../../workers/match.worker.ts', import.meta.url), { type: 'module' });
const MOST_PAINTS = 3;
const NONE = '';

interface MatchColourProps {
  paints: Paint[];
  /** Reference pictures that a colour can be picked from. */
  pictures: Picture[];
  /** Takes an answer: drops by paint, and a name for a mix of several; left out where it is only looked at. */
  onTake?: (match: Match, name: string) => void;
  /** A paint by itself can be taken too; left out where only mixes are wanted. */
  takesOne?: boolean;
}

/** Any colour by one, two or three paints of the shelf: typed, like a paint that has run out, or picked from a picture. */
export function MatchColour({ paints, pictures, onTake, takesOne = false }: MatchColourProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [isOpen, setOpen] = useState(false);
  const [hex, setHex] = useState('#7a5533');
  const [like, setLike] = useState(NONE);
  const [mostDrops, setMostDrops] = useState(8);
  const [picture, setPicture] = useState(NONE);
  const find = useCallback(
    (unwanted: AbortSignal) =>
      callOnce<MatchWorker, Match[]>(
        begin,
        (worker) =>
          worker.find(
            paints.filter(({ id }) => id !== like),
            { hex, mostDrops, mostPaints: MOST_PAINTS },
          ),
        unwanted,
      ),
    [paints, hex, like, mostDrops],
  );
  const { value: matches, error, again } = useDerived(isOpen ? find : null, { restMs: 200 });
  const best = matches && recommended(matches);
  const named = new Map(paints.map((paint) => [paint.id, paint]));
  const wantedName = like === NONE ? `Match of ${hex}` : `Like ${named.get(like)?.name ?? hex}`;
  const open = () => {
    setOpen(true);
    dialog.current?.showModal();
  };
  const close = () => {
    setOpen(false);
    dialog.current?.close();
  };
  return (
    <>
      <Button onClick={open}>Match a colour</Button>
      <Dialog ref={dialog} title="Match a colour" tools={<Button onClick={close}>Close</Button>}>
        {isOpen && (
          <div className={styles.match} data-testid="match">
            <div className={styles.wanted}>
              <TextField
                label="Colour wanted"
                type="color"
                value={hex}
                onChange={(next) => {
                  setHex(next);
                  setLike(NONE);
                }}
              />
              <HexField
                value={hex}
                onChange={(next) => {
                  setHex(next);
                  setLike(NONE);
                }}
              />
              <SelectField
                label="Like a paint, without it"
                value={like}
                options={[{ value: NONE, label: 'none' }, ...paints.map(({ id, name }) => ({ value: id, label: name }))]}
                onChange={(id) => {
                  setLike(id);
                  setHex(named.get(id)?.hex ?? hex);
                }}
              />
              <NumberField
                label="At most"
                unit="drops"
                whole
                min={2}
                max={12}
                value={mostDrops}
                onChange={(most) => most && setMostDrops(most)}
              />
            </div>
            {pictures.length > 0 && (
              <SelectField
                label="Pick it from a picture"
                value={picture}
                options={[
                  { value: NONE, label: 'no picture' },
                  ...pictures.map(({ id, caption }, index) => ({ value: id, label: caption || `picture ${index + 1}` })),
                ]}
                onChange={setPicture}
              />
            )}
            {picture !== NONE && (
              <Eyedropper
                pictureId={picture}
                onPick={(next) => {
                  setHex(next);
                  setLike(NONE);
                }}
              />
            )}
            <div className={styles.found}>
              {error && <Broken error={error} again={again} />}
              {!error && matches === null && (
                <p role="status">
                  <Working label="Trying all mixes …" />
                </p>
              )}
              {matches?.length === 0 && <p>No opaque paint is on the shelf: add some first.</p>}
              <ol className={styles.answers}>
                {matches?.map((match) => (
                  <li key={match.parts.length} data-paints={match.parts.length}>
                    <span className={styles.beside} aria-hidden="true">
                      <span style={{ backgroundColor: hex }} />
                      <span style={{ backgroundColor: match.hex }} />
                    </span>
                    <span>
                      <strong>{counted(match.parts.length, 'paint')}</strong>
                      {match === best && ', recommended'}: {partsText(match, named)}
                      <small>{plain(match.difference, 1)} away from what is wanted</small>
                    </span>
                    {onTake && (match.parts.length > 1 || takesOne) && (
                      <Button
                        kind={match === best ? 'main' : 'quiet'}
                        onClick={() => {
                          onTake(match, wantedName);
                          close();
                        }}
                      >
                        {match.parts.length === 1 ? 'Use this paint' : 'Add this mix'}
                      </Button>
                    )}
                  </li>
                ))}
              </ol>
            </div>
            <p className={styles.guide}>A prediction to start from: pigments differ. Test a dab on the palette, and let it dry.</p>
          </div>
        )}
      </Dialog>
    </>
  );
}

const partsText = ({ parts }: Match, named: ReadonlyMap<string, Paint>): string =>
  parts.length === 1
    ? named.get(parts[0]![0])!.name
    : parts.map(([id, drops]) => `${counted(drops, 'drop')} ${named.get(id)!.name}`).join(', ');

/** The same colour typed; taken once it is one. */
function HexField({ value, onChange }: { value: string; onChange: (hex: string) => void }) {
  const [draft, setDraft] = useState<string | null>(null);
  const type = (text: string) => {
    const hex = `#${text.replace(/^#/, '').toLowerCase()}`;
    if (/^#[0-9a-f]{6}$/.test(hex)) {
      setDraft(null);
      onChange(hex);
    } else setDraft(text);
  };
  return (
    <TextField
      label="As hex"
      value={draft ?? value}
      onChange={type}
      onBlur={() => setDraft(null)}
      error={draft !== null && draft.replace(/^#/, '').length >= 6 ? `"${draft}" is not a colour: type one as #a1b2c3.` : null}
    />
  );
}
