import { endpoint } from '../../../../server/http/endpoint';
import { answerQuote, quoteAnswerSchema } from '../../../../server/money/quotes';

export const PUT = endpoint(quoteAnswerSchema, (input, { stores, params, now }) => answerQuote(stores, params['id'], input, now));
