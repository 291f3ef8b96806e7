import { paintSchema } from '../../../core/formats/commissionSchemas';
import { endpoint } from '../../../server/http/endpoint';

export const PUT = endpoint(paintSchema, (input, { stores }) => stores.paints.save(input));
