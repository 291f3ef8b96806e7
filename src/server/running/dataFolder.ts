const DEFAULT_DATA_FOLDER = './data';

/** Where everything is kept. */
export const dataFolder = (): string => process.env['NEAT_RELAY_DATA'] ?? DEFAULT_DATA_FOLDER;
