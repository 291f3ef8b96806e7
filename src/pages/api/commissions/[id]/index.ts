import { intakeSchema, saveIntake } from '../../../../server/commissions/saveIntake';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(intakeSchema, (input, { stores, params }) => saveIntake(stores, params['id'], input));
