import type { Schools } from './schools';

/** When in the life of a model a step stands, earliest first; the order rules are written over these. */
export const MOMENTS = [
  'build',
  'ground',
  'prime',
  'base',
  'shade',
  'highlight',
  'detail',
  'weather',
  'rim',
  'varnish',
  'sealed',
  'end',
] as const;
export type Moment = (typeof MOMENTS)[number];

const GROUND_AFTER_PRIMER: readonly Moment[] = ['build', 'prime', 'ground', ...MOMENTS.slice(3)];

/** The moments in the order that a school of bases gives them. */
export const momentOrder = ({ base }: Pick<Schools, 'base'>): readonly Moment[] =>
  base === 'before priming' ? MOMENTS : GROUND_AFTER_PRIMER;

/** What is painted at each moment, as the heading of a stage of the work. */
export const STAGE_LABELS = {
  build: 'Building',
  ground: 'Ground',
  prime: 'Primer',
  base: 'Base coats',
  shade: 'Shades',
  highlight: 'Highlights',
  detail: 'Details',
  weather: 'Weathering',
  rim: 'Rims',
  varnish: 'Varnish',
  sealed: 'After the varnish',
  end: 'Inspect and pack',
} as const satisfies Record<Moment, string>;
