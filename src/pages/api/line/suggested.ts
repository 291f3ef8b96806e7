import { question } from '../../../server/http/endpoint';
import { loadSuggested, suggestedSchema } from '../../../server/plan/layLine';

export const POST = question(suggestedSchema, (input, { stores, now }) => loadSuggested(stores, input, now));
