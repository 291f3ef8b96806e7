import type { Scheme, StepFor } from '../../../core/scheme/model/definitions';

interface Option {
  value: string;
  label: string;
}

const ALL = '';
const ONLY = 'only ';
const WITHOUT = 'without ';

/** Groups and options of a scheme by name: leader, Boots: tan. */
export function namedOf({ groups, variants }: Pick<Scheme, 'groups' | 'variants'>): { id: string; name: string }[] {
  return [
    ...groups.map(({ id, name }) => ({ id, name })),
    ...variants.flatMap((variant) => variant.options.map(({ id, name }) => ({ id, name: `${variant.name}: ${name}` }))),
  ];
}

const listed = (ids: readonly string[], scheme: Pick<Scheme, 'groups' | 'variants'>): string => {
  const names = new Map(namedOf(scheme).map(({ id, name }) => [id, name]));
  return ids.map((id) => names.get(id) ?? id).join(', ') || 'nobody';
};

/** Whom a step is for, in few words. */
export function whomText(whom: StepFor, scheme: Pick<Scheme, 'groups' | 'variants'>): string {
  if (whom === null) return 'every model';
  return 'only' in whom ? `only ${listed(whom.only, scheme)}` : `all but ${listed(whom.without, scheme)}`;
}

/** The choices of whom a step is for: every model, only or all but one group or option, and what the step says today. */
export function whomOptions(whom: StepFor, scheme: Pick<Scheme, 'groups' | 'variants'>): Option[] {
  const named = namedOf(scheme);
  const options = [
    { value: ALL, label: 'every model' },
    ...named.map(({ id, name }) => ({ value: `${ONLY}${id}`, label: `only ${name}` })),
    ...named.map(({ id, name }) => ({ value: `${WITHOUT}${id}`, label: `all but ${name}` })),
  ];
  const today = whomValue(whom);
  return options.some((option) => option.value === today) ? options : [...options, { value: today, label: whomText(whom, scheme) }];
}

export function whomValue(whom: StepFor): string {
  if (whom === null) return ALL;
  return 'only' in whom ? `${ONLY}${whom.only.join(' ')}` : `${WITHOUT}${whom.without.join(' ')}`;
}

export function whomOf(value: string): StepFor {
  if (value.startsWith(ONLY)) return { only: value.slice(ONLY.length).split(' ').filter(Boolean) };
  if (value.startsWith(WITHOUT)) return { without: value.slice(WITHOUT.length).split(' ').filter(Boolean) };
  return null;
}
