import { EventEmitter } from 'node:events';

/** What was done: somebody tapped at the bench, other units were chosen to be arranged, or something else was changed. */
export type Announcement = 'events' | 'chosen' | 'changed';

const hub = new EventEmitter();
hub.setMaxListeners(0);

export const announce = (what: Announcement): void => void hub.emit('news', what);

/** Hears announcements until the returned function is called. */
export function listen(hear: (what: Announcement) => void): () => void {
  hub.on('news', hear);
  return () => hub.off('news', hear);
}
