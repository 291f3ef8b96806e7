import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { balanced, colourAt, type Pixels } from '../../../core/colour/picked';
import type { LinearRgb } from '../../../core/colour/linearRgb';
import { pictureUrl } from '../../../contract/pictureUrl';
import { Button } from '../../../ui/Button/Button';
import styles from './matching.module.css';

/** Drawn no larger than this, in pixels. */
const LARGEST = 420;

/** A picture on which a colour is pointed at; a patch that is known to be grey takes the colour of the light away. */
export function Eyedropper({ pictureId, onPick }: { pictureId: string; onPick: (hex: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pixels = useRef<Pixels | null>(null);
  const [isGrey, setGrey] = useState(false);
  const [grey, setGreyColour] = useState<LinearRgb | null>(null);
  const [isBroken, setBroken] = useState(false);
  useEffect(() => {
    const image = new Image();
    image.onload = () => {
      const scale = Math.min(1, LARGEST / Math.max(image.width, image.height));
      const drawn = canvas.current;
      if (!drawn) return;
      drawn.width = Math.round(image.width * scale);
      drawn.height = Math.round(image.height * scale);
      const context = drawn.getContext('2d', { willReadFrequently: true })!;
      context.drawImage(image, 0, 0, drawn.width, drawn.height);
      pixels.current = context.getImageData(0, 0, drawn.width, drawn.height);
    };
    image.onerror = () => setBroken(true);
    image.src = pictureUrl(pictureId);
    return () => {
      image.onload = null;
      image.onerror = null;
    };
  }, [pictureId]);
  const point = (event: PointerEvent<HTMLCanvasElement>) => {
    if (!pixels.current) return;
    const box = event.currentTarget.getBoundingClientRect();
    const at = (offset: number, length: number, count: number) => Math.min(count - 1, Math.max(0, Math.floor((offset / length) * count)));
    const x = at(event.clientX - box.left, box.width, pixels.current.width);
    const y = at(event.clientY - box.top, box.height, pixels.current.height);
    const colour = colourAt(pixels.current, x, y);
    if (isGrey) {
      setGreyColour(colour);
      setGrey(false);
    } else onPick(balanced(colour, grey));
  };
  if (isBroken) return <p role="alert">The picture cannot be shown: choose another one.</p>;
  return (
    <div className={styles.dropper}>
      <canvas ref={canvas} className={styles.picture} data-testid="picture" aria-label="The picture to pick from" onPointerDown={point} />
      <span className={styles.row}>
        <Button aria-pressed={isGrey} onClick={() => setGrey(!isGrey)}>
          {isGrey ? 'Point at something grey' : 'Set the light by a grey patch'}
        </Button>
        {grey && (
          <Button kind="quiet" onClick={() => setGreyColour(null)}>
            Leave the light as it is
          </Button>
        )}
      </span>
    </div>
  );
}
