import { endpoint, query } from '../../../../../server/http/endpoint';
import { loadMoney } from '../../../../../server/money/loadMoney';
import { saveTerms, saveTermsSchema } from '../../../../../server/money/terms';

export const GET = query(({ stores, params, now }) => loadMoney(stores, params['id'], now));

export const PUT = endpoint(saveTermsSchema, (input, { stores, params }) => saveTerms(stores, params['id'], input));
