import { query } from '../../../../server/http/endpoint';
import { tracePaint } from '../../../../server/shelf/tracePaint';

export const GET = query(({ stores, params }) => tracePaint(stores, params['id']));
