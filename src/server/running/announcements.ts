import { EventEmitter } from 'node:events';

/** What happened: somebody tapped at the bench, wants the order of the line that is being arranged, or changed something else. */
export type Announcement = 'events' | 'wanted' | 'changed';

const hub = new EventEmitter();
hub.setMaxListeners(0);

export const announce = (what: Announcement): void => void hub.emit('news', what);

/** Hears announcements until the returned function is called. */
export function listen(hear: (what: Announcement) => void): () => void {
  hub.on('news', hear);
  return () => hub.off('news', hear);
}
