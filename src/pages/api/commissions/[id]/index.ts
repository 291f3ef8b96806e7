import { loadIntake } from '../../../../server/intake/loadIntake';
import { intakeSchema, saveIntake } from '../../../../server/intake/saveIntake';
import { endpoint, query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadIntake(stores, params['id'], now));
export const PUT = endpoint(intakeSchema, (input, { stores, params, now }) => saveIntake(stores, params['id'], input, now));
