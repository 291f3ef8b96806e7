import { noteScope, scopeNoteSchema } from '../../../server/commissions/scope';
import { endpoint } from '../../../server/http/endpoint';

export const PUT = endpoint(scopeNoteSchema, (input, { stores, params }) => noteScope(stores, params['id'], input));
