import { EventEmitter } from 'node:events';

/** What open windows are told: somebody tapped at the bench, or something else was changed. */
export type Announcement = 'events' | 'changed';

const hub = new EventEmitter();
hub.setMaxListeners(0);

export const announce = (what: Announcement): void => void hub.emit('news', what);

/** Hears announcements until the returned function is called. */
export function listen(hear: (what: Announcement) => void): () => void {
  hub.on('news', hear);
  return () => hub.off('news', hear);
}
