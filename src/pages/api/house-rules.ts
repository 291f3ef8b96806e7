import { endpoint } from '../../server/http/endpoint';
import { houseRulesSchema, saveHouseRules } from '../../server/house/saveHouseRules';

export const PUT = endpoint(houseRulesSchema, (input, { stores }) => saveHouseRules(stores, input));
