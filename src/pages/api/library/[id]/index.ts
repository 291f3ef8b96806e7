import { download } from '../../../../server/http/download';
import { endpoint, query } from '../../../../server/http/endpoint';
import { libraryFile, removedSchema, setRemoved } from '../../../../server/schemes/library';

export const GET = query(async ({ stores, params }) => {
  const { name, file } = await libraryFile(stores, params['id']);
  return download(file, `${name}.scheme.json`, 'application/json');
});
export const PUT = endpoint(removedSchema, (input, { stores, params, now }) => setRemoved(stores, params['id'], input, now));
