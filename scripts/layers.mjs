/** Which layers of src a layer may import, besides itself. A folder of src that is not listed may not exist. */
export const layers = {
  core: [],
  contract: ['core'],
  data: ['core'],
  ui: [],
  print: ['core', 'contract', 'ui'],
  server: ['core', 'contract', 'data', 'print'],
  islands: ['core', 'contract', 'ui'],
  pages: ['core', 'contract', 'server', 'islands', 'ui'],
  cli: ['core', 'contract', 'server'],
};

/** The files that stand directly in src, and the layers that each may import. */
export const filesOfSrc = {
  'env.d.ts': [],
  'middleware.ts': ['data', 'server'],
};

/** Small pure libraries the core may use: validation, random numbers, CSV, a priority queue, colour. */
export const coreMayImport = ['yup', 'pure-rand', 'papaparse', 'flatqueue', 'culori'];

/**
 * The floors of a house: its rooms, and for each those that it may import besides itself. What is not listed may not exist. What
 * stands in the hall, beside the rooms, is for all of them; it imports no room, unless `above` says that it stands over them.
 */
export const houses = {
  'src/core': {
    rooms: {
      kernel: [],
      line: ['kernel'],
      colour: ['kernel'],
      scheme: ['kernel', 'colour'],
      log: ['scheme'],
      time: ['kernel', 'scheme', 'log'],
      plan: ['kernel', 'line', 'scheme'],
      bench: ['kernel', 'line', 'scheme', 'log', 'plan'],
      commission: ['kernel', 'scheme', 'time', 'plan', 'bench'],
      money: ['kernel', 'scheme', 'log', 'time', 'commission'],
      paint: ['kernel', 'colour', 'scheme', 'plan', 'bench'],
      finish: ['kernel', 'scheme', 'plan', 'bench', 'commission'],
      formats: ['kernel', 'colour', 'line', 'scheme', 'log', 'time', 'plan', 'bench', 'commission', 'money', 'paint', 'finish'],
    },
  },
  'src/core/line': {
    rooms: {
      problem: [],
      timing: ['problem'],
      bounds: ['problem', 'timing'],
      search: ['problem', 'timing', 'bounds'],
      hand: ['problem', 'timing', 'bounds', 'search'],
    },
    hall: ['definitions.ts'],
  },
  'src/core/scheme': {
    rooms: {
      model: [],
      passes: ['model'],
      rules: ['model', 'passes'],
      advice: ['model', 'passes', 'rules'],
      authoring: ['model'],
    },
  },
  'src/core/time': {
    rooms: { fit: [], answer: ['fit'], learn: ['fit', 'answer'], check: ['fit', 'learn'] },
    hall: ['definitions.ts'],
  },
  'src/core/plan': {
    rooms: { build: [], dates: ['build'], choices: ['build', 'dates'] },
    hall: ['selection.ts'],
  },
  'src/core/bench': {
    rooms: { replay: [], guide: ['replay'] },
    hall: ['definitions.ts', 'benchOrder.ts', 'clockCorrection.ts', 'otherWork.ts', 'wholeEvent.ts'],
  },
  'src/core/formats': {
    rooms: { scheme: [], timeLog: [], commission: ['scheme'], paint: ['scheme'] },
    hall: ['csvRecords.ts', 'fields.ts', 'lineProblem.ts', 'readJson.ts', 'readNumber.ts'],
  },
  'src/data': {
    rooms: {
      migrations: [],
      file: ['migrations'],
      log: ['file'],
      stores: ['file', 'log'],
      demo: ['file', 'log', 'stores', 'database.ts'],
    },
    above: ['database.ts'],
  },
  'src/server': {
    rooms: {
      running: [],
      text: [],
      stores: ['running'],
      work: ['running', 'stores'],
      workshop: ['running', 'stores', 'work'],
      mail: ['stores', 'text'],
      plan: ['running', 'stores', 'work', 'workshop'],
      schemes: ['running', 'stores', 'workshop', 'plan'],
      money: ['stores', 'workshop', 'mail', 'plan'],
      bench: ['running', 'stores', 'workshop', 'plan', 'schemes', 'money'],
      ledger: ['running', 'stores', 'work', 'workshop'],
      search: ['running', 'stores', 'workshop', 'ledger'],
      house: ['stores', 'workshop', 'schemes'],
      finish: ['stores', 'workshop', 'mail', 'plan', 'money'],
      calendar: ['running', 'stores', 'workshop', 'plan'],
      shelf: ['running', 'stores', 'workshop', 'plan', 'schemes'],
      intake: ['stores', 'workshop', 'mail', 'plan', 'schemes', 'bench'],
      today: ['running', 'stores', 'workshop', 'plan'],
      starting: ['running', 'stores', 'work', 'mail', 'plan', 'money', 'bench', 'ledger'],
      lan: ['running'],
      http: ['running', 'text', 'stores', 'work', 'workshop', 'lan', 'starting'],
      backups: ['running', 'stores', 'starting', 'http'],
      threads: ['stores', 'text', 'work', 'plan', 'shelf', 'money', 'ledger', 'intake', 'finish', 'starting'],
    },
  },
};
