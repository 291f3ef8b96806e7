import { endpoint } from '../../../../server/http/endpoint';
import { potLevelsSchema, readPots } from '../../../../server/shelf/potLevels';

export const PUT = endpoint(potLevelsSchema, (input, { stores, now }) => readPots(stores, input, now));
