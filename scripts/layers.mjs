/** Which layers of src a layer may import, besides itself. A folder of src that is not listed may not exist. */
export const layers = {
  core: [],
  data: ['core'],
  server: ['core', 'data', 'print'],
  ui: [],
  print: ['core', 'ui'],
  islands: ['core', 'ui'],
  pages: ['core', 'server', 'islands', 'ui'],
  cli: ['core', 'server'],
};

/** Small pure libraries the core may use: validation, random numbers, CSV, linear algebra, a priority queue, colour. */
export const coreMayImport = ['yup', 'pure-rand', 'papaparse', 'ml-matrix', 'flatqueue', 'culori'];

/** The rooms of the line engine, each over those named: nothing in one knows of those behind it. */
export const lineRooms = {
  problem: [],
  timing: ['problem'],
  bounds: ['problem', 'timing'],
  search: ['problem', 'timing', 'bounds'],
  hand: ['problem', 'timing', 'bounds', 'search'],
};
