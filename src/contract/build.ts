declare const __NEAT_RELAY_BUILD__: string | undefined;

/** Which build of the program this is; the same in the browser and on the server as long as they are of one build. */
export const BUILD: string = typeof __NEAT_RELAY_BUILD__ === 'undefined' ? 'source' : __NEAT_RELAY_BUILD__;
