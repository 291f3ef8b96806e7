import type { JudgedRow } from '../../src/core/log/definitions';
import type { StepKind } from '../../src/core/time/definitions';
import type { StretchAhead } from '../../src/core/scheme/passes/stretchAhead';
import { normMinutes } from '../../src/core/time/fit/norms';

export const TONIGHT = new Date('2026-11-23T12:00:00Z');

export const coat: StepKind = {
  unitId: null,
  stepId: null,
  stepLike: null,
  commission: 'Coast',
  unit: 'Keepers',
  part: 'Coat',
  technique: 'basecoat',
  size: 'foot',
  coverage: 0.25,
};

/** A row of ten models that took `pace` times the norm, three days ago. */
export const logged = (pace: number, more: Partial<JudgedRow> = {}): JudgedRow => {
  const of = { commissionId: null, ...coat, models: 10, ...more };
  const weight = more.weight ?? of.models;
  return {
    startedAt: '2026-11-20T19:00:00Z',
    setupMinutes: null,
    setupFrom: null,
    setupTo: null,
    note: '',
    verdict: 'unsure',
    correctedMinutes: null,
    open: null,
    effort: 1,
    weight,
    minutes: pace * weight * normMinutes(of.technique, of.size, of.coverage),
    ...of,
    ...more,
  };
};

/** So many ordinary models of a step after so many others. */
export const ahead = (done: number, models: number): StretchAhead => ({ done, models, weight: models });
