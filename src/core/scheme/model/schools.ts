/** Where painters differ and both are right: a choice in House rules, which a scheme may override. The first of each is the default. */
export const SCHOOLS = {
  parts: ['deepest first', 'messiest first', 'largest first'],
  stages: ['stage by stage', 'part by part'],
  metals: ['near the end', 'first', 'after the shade'],
  shade: ['after all base coats', 'right after its part'],
  base: ['after painting', 'before priming'],
  boots: ['boots first', 'ground first', 'in one go'],
  decals: ['after the wash', 'before the wash', 'last'],
  powders: ['after the varnish', 'before the varnish'],
  scatter: ['before the varnish', 'after the varnish'],
  rim: ['last', 'before the texture'],
  eyes: ['with the details', 'early', 'before the last highlights', 'last'],
  lights: ['with the details', 'after everything'],
  script: ['after the wash', 'before the wash'],
  faces: ['whole models', 'fronts then backs'],
  leaders: ['with the unit', 'first, on a tray of their own', 'last', 'as a treat after every ten'],
} as const;

export type SchoolQuestion = keyof typeof SCHOOLS;
export type Schools = { [Question in SchoolQuestion]: (typeof SCHOOLS)[Question][number] };

export const SCHOOL_QUESTIONS = Object.keys(SCHOOLS) as SchoolQuestion[];

export const DEFAULT_SCHOOLS: Schools = Object.fromEntries(SCHOOL_QUESTIONS.map((question) => [question, SCHOOLS[question][0]])) as Schools;

/** What each question is about, in the painter's words. */
export const SCHOOL_LABELS = {
  parts: 'Order of the parts',
  stages: 'Stages',
  metals: 'Metallics',
  shade: 'The shade in a part',
  base: 'The base is textured',
  boots: 'Boots and ground',
  decals: 'Transfers',
  powders: 'Powders',
  scatter: 'Scatter',
  rim: 'The rim of the base',
  eyes: 'Eyes',
  lights: 'Lenses, glow, gloss',
  script: 'Script',
  faces: 'Layers and edge lines',
  leaders: 'Leaders',
} as const satisfies Record<SchoolQuestion, string>;

/** How strongly a habit holds: weighed by its price, never broken, or not at all. */
export const STRENGTHS = ['mostly', 'always', 'no matter'] as const;
export type Strength = (typeof STRENGTHS)[number];
/** Habits that hold otherwise than mostly. */
export type Strengths = { [Question in SchoolQuestion]?: Strength };

/** What the scheme says of a habit wins over the house. */
export const strengthOf = (question: SchoolQuestion, scheme: Strengths | undefined, house: Strengths): Strength =>
  scheme?.[question] ?? house[question] ?? STRENGTHS[0];
