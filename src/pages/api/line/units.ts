import { endpoint } from '../../../server/http/endpoint';
import { chooseSchema, chooseUnits } from '../../../server/workshop/choice';

export const PUT = endpoint(chooseSchema, (input, { stores }) => chooseUnits(stores, input), { tells: null });
