import { ulid } from 'ulid';
import { array, boolean, object, type InferType } from 'yup';
import { id as idField, oneOf, parse, text } from '../../core/formats/fields';
import { photoSpotSchema } from '../../core/formats/commission/commissionRecord';
import { CLOSENESSES, PICTURE_KINDS, type Picture } from '../../core/commission/pictures';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';
import { encodePicture } from './encodePicture';

type Call = Pick<Stores, 'commissions' | 'pictures'>;

/** Pictures that a commission may have; the file that is the backup stays handy. */
const MOST_PICTURES = 100;

/** Where a new picture belongs, as its address says. */
const placeSchema = object({
  commission: idField(),
  unit: idField().nullable().notRequired().default(null),
  part: idField().nullable().notRequired().default(null),
  kind: oneOf(PICTURE_KINDS).optional().default('reference'),
  caption: text('a caption', 200).optional().default(''),
  light: text('how it is lit', 200).optional().default(''),
});

/** Takes a picture in, re-encoded. */
export async function addPicture(stores: Call, file: Uint8Array, query: URLSearchParams, now: Date): Promise<Picture> {
  const { commission, unit, part, kind, caption, light } = parse(placeSchema, Object.fromEntries(query));
  await findCommission(stores, commission);
  if (unit !== null && (await stores.commissions.findUnit(unit))?.commissionId !== commission)
    throw new NotFoundError(`There is no unit ${unit} in this commission: reload the page.`);
  const known = await stores.pictures.ofCommission(commission);
  if (known.length >= MOST_PICTURES)
    throw new ConflictError(
      `This commission has ${known.length} pictures already: more would make the data folder too large. Remove some, or begin another commission.`,
    );
  const { bytes, width, height } = await encodePicture(file);
  const picture: Picture = {
    id: ulid(now.getTime()),
    commissionId: commission,
    unitId: unit,
    partId: part,
    kind,
    closeness: 'closely',
    caption,
    light,
    forClient: false,
    spots: [],
    width,
    height,
    addedAt: now.toISOString(),
    removedAt: null,
  };
  await stores.pictures.insert(picture, bytes);
  return picture;
}

export const loadPictures = async (stores: Call, query: URLSearchParams): Promise<Picture[]> =>
  stores.pictures.ofCommission((await findCommission(stores, query.get('commission') ?? undefined)).id);

/** The bytes of a picture; they never change, so the browser may keep them. */
export async function pictureFile(stores: Call, id: string | undefined): Promise<Response> {
  const bytes = await stores.pictures.bytes(id ?? '');
  if (!bytes) throw notThere(id);
  return new Response(bytes, { headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' } });
}

export const changePictureSchema = object({
  closeness: oneOf(CLOSENESSES).optional(),
  caption: text('a caption', 200).optional(),
  light: text('how it is lit', 200).optional(),
  forClient: boolean().strict().optional(),
  spots: array(photoSpotSchema).strict().max(200).optional(),
  removed: boolean().strict().optional(),
});

/** Changes what is said of a picture, takes it out of sight, or puts it back. */
export async function changePicture(
  stores: Call,
  id: string | undefined,
  { removed, ...said }: InferType<typeof changePictureSchema>,
  now: Date,
): Promise<void> {
  const part = {
    ...Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)),
    ...(removed !== undefined && { removedAt: removed ? now.toISOString() : null }),
  };
  if (Object.keys(part).length > 0 && !(await stores.pictures.update(id ?? '', part))) throw notThere(id);
}

const notThere = (id: string | undefined) => new NotFoundError(`There is no picture ${id}: it may have come from another data folder.`);
