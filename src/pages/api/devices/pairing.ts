import { object } from 'yup';
import { RIGHTS } from '../../../contract/devices';
import { oneOf } from '../../../core/formats/fields';
import { pairDevice } from '../../../server/http/devices';
import { endpoint } from '../../../server/http/endpoint';

export const POST = endpoint(object({ may: oneOf(RIGHTS) }), async ({ may }) => pairDevice(may), { tells: null });
