import type { Stage } from '../../core/time/check/insights';

export const STAGE_WORDS = {
  build: 'building and ground',
  base: 'primer to shade',
  tail: 'everything after the shade',
} as const satisfies Record<Stage, string>;
