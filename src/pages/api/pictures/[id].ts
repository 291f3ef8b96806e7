import { changePicture, changePictureSchema, pictureFile } from '../../../server/intake/pictures';
import { endpoint, query } from '../../../server/http/endpoint';

export const GET = query(({ stores, params }) => pictureFile(stores, params['id']));
export const PUT = endpoint(changePictureSchema, (input, { stores, params, now }) => changePicture(stores, params['id'], input, now), {
  tells: null,
});
