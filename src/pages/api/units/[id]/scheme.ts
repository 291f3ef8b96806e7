import { saveScheme, saveSchemeSchema } from '../../../../server/schemes/saveScheme';
import { schemeOf } from '../../../../core/formats/scheme/schemeSchemas';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(saveSchemeSchema, (input, { stores, params, now }) =>
  saveScheme(stores, params['id'], { revision: input.revision, scheme: schemeOf(input.scheme) }, now),
);
