import { saveScheme, saveSchemeSchema } from '../../../../server/commissions/saveScheme';
import { schemeOf } from '../../../../core/formats/schemeSchemas';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(saveSchemeSchema, (input, { stores, params, now }) =>
  saveScheme(stores, params['id'], { revision: input.revision, scheme: schemeOf(input.scheme) }, now),
);
