import { endpoint, query } from '../../server/http/endpoint';
import { loadHouse } from '../../server/house/loadHouse';
import { houseRulesSchema, saveHouseRules } from '../../server/house/saveHouseRules';

export const GET = query(({ stores, now }) => loadHouse(stores, now));

export const PUT = endpoint(houseRulesSchema, (input, { stores, now }) => saveHouseRules(stores, input, now));
