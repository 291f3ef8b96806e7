import { recordEvents, recordEventsSchema } from '../../../server/bench/recordEvents';
import { endpoint } from '../../../server/http/endpoint';
import { clock } from '../../../server/running/programTime';

/** Taps of some weeks offline, with long notes. */
const LIMIT_BYTES = 10_000_000;

export const POST = endpoint(
  recordEventsSchema,
  async (input, { stores, now }) => {
    const recorded = await recordEvents(stores, input, now);
    clock.tapped(now.getTime());
    return recorded;
  },
  { tells: 'events', limitBytes: LIMIT_BYTES },
);
