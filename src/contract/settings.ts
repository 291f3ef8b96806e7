/** The parts of House rules: what stands over each, and in which other words it is looked for. */
export const SETTINGS = {
  sessions: { title: 'Sessions in the week', words: 'hours weekday when time night' },
  'pedal-and-sounds': { title: 'Pedal and sounds', words: 'foot key notification message beep dry' },
  devices: { title: 'Tablets and telephones', words: 'network pair phone lan revoke code' },
  calendar: { title: 'Times that are taken', words: 'calendar away holiday ics busy' },
  holders: { title: 'Models on a holder', words: 'corks strips tray how many' },
  setups: { title: 'What a set-up costs', words: 'change paint rinse clean airbrush mix thin drop minutes' },
  bench: { title: 'The bench', words: 'airbrushes brushes drying damp cold room leader factor tray size longest in a row' },
  orders: { title: 'What an order is worth', words: 'day sooner changes deadline' },
  rates: { title: 'Rates', words: 'money hourly rate currency price' },
  letters: { title: 'On letters and papers', words: 'name address painter mail signature' },
  levels: { title: 'Levels by minutes', words: 'level standard how long a model' },
  techniques: { title: 'Techniques of your own', words: 'own technique custom' },
  habits: { title: 'Painting habits: where painters differ', words: 'order rules metallics shade eyes base batches wishes strays' },
} as const;
export type Setting = keyof typeof SETTINGS;

/** What a panel of House rules is called, and where it is found. */
export const settingPanel = (setting: Setting): { title: string; anchor: string } => ({
  title: SETTINGS[setting].title,
  anchor: setting,
});
