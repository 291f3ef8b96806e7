/** What every chart has alike; no animation, no second colour. */
export const CHART_FRAME = {
  responsive: true,
  width: '100%',
  margin: { left: 0, right: 12, top: 8, bottom: 0 },
  accessibilityLayer: false,
} as const;

export const CHART_TICK = { fill: 'var(--ink-soft)' };
export const CHART_NAME = { fill: 'var(--ink)' };
export const CHART_TIP = {
  contentStyle: { background: 'var(--surface)', borderColor: 'var(--line-strong)' },
  cursor: { fill: 'var(--sunken)' },
} as const;

/** A figure that stands over lines and bars. */
export const CHART_FIGURE = { fill: 'var(--ink)', stroke: 'var(--surface)', strokeWidth: 3, paintOrder: 'stroke' } as const;

/** The name of the axis along the bottom. */
export const below = (value: string) => ({ value, position: 'insideBottom', offset: 6, fill: 'var(--ink-soft)' }) as const;
/** The name of the axis at the left, read upwards. */
export const beside = (value: string) =>
  ({ value, angle: -90, position: 'insideLeft', fill: 'var(--ink-soft)', style: { textAnchor: 'middle' } }) as const;
