import type { Unit } from './definitions';
import type { HouseRules } from './houseRules';
import type { Schools } from './schools';

/** The schools of the house, over which those of the scheme win. */
export const schoolsOf = ({ scheme }: Pick<Unit, 'scheme'>, house: Pick<HouseRules, 'schools'>): Schools => ({
  ...house.schools,
  ...scheme.schools,
});
