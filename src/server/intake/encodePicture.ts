import sharp from 'sharp';
import { InputError } from '../../core/kernel/InputError';

/** Large enough to see a seam on a screen, small enough for a hundred in the one file. */
const LONGEST_SIDE = 1600;
const QUALITY = 82;
const MOST_PIXELS = 60_000_000;
const KINDS = ['jpeg', 'png', 'webp', 'gif', 'tiff', 'avif', 'heif'];

export interface EncodedPicture {
  bytes: Uint8Array;
  width: number;
  height: number;
}

/**
 * A picture as it is kept: upright, at most 1600 pixels long, a JPEG without anything that the camera wrote into it, place and time
 * among it. Throws an `InputError` for what is none, is broken, or is larger than sixty million pixels.
 */
export async function encodePicture(file: Uint8Array): Promise<EncodedPicture> {
  if (file.length === 0) refuse('an empty file');
  const image = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  const { format, width, height } = await image.metadata().catch(() => refuse('nothing that can be read as one'));
  if (!KINDS.includes(format)) return refuse(format);
  if (width * height > MOST_PIXELS)
    throw new InputError('the picture', `${width} x ${height} pixels`, `choose one of at most ${MOST_PIXELS / 1e6} million pixels`);
  const { data, info } = await image
    .rotate()
    .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: QUALITY })
    .toBuffer({ resolveWithObject: true })
    .catch(() => refuse('a picture that ends in the middle'));
  return { bytes: data, width: info.width, height: info.height };
}

const refuse = (what: string): never => {
  throw new InputError('the picture', what, 'choose a JPEG, PNG or WebP that opens elsewhere');
};
