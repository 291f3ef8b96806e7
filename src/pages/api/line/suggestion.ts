import { endpoint } from '../../../server/http/endpoint';
import { saveSuggestion, suggestSchema } from '../../../server/plan/saveOwnLine';

export const PUT = endpoint(suggestSchema, (input, { stores, now }) => saveSuggestion(stores, input, now), { tells: null });
