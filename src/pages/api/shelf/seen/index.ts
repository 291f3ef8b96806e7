import { endpoint } from '../../../../server/http/endpoint';
import { sawMix, seenMixSchema } from '../../../../server/shelf/seenMixes';

export const PUT = endpoint(seenMixSchema, (input, { stores, now }) => sawMix(stores, input, now));
