import { boolean, object } from 'yup';
import { endpoint, query } from '../../../server/http/endpoint';
import { devices, openToNetwork } from '../../../server/http/devices';

export const GET = query(async () => devices());

export const PUT = endpoint(object({ isOpen: boolean().required() }), ({ isOpen }) => openToNetwork(isOpen), { tells: null });
