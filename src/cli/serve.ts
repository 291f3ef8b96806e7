import { serve } from '../server/http/serve';

/** The built program by itself, at HOST and PORT, over the data folder NEAT_RELAY_DATA. */
const { stop, readPages } = await serve(process.env['HOST'] ?? '127.0.0.1', Number(process.env['PORT']));
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop().then(() => process.exit(0)));
await readPages();
