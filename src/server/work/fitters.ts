import type { Stores } from '../stores/stores';
import type { Fitter } from './fitter';
import { SlicedFitter } from './SlicedFitter';

const fitters = new WeakMap<Stores, Fitter>();

/** Where the log of these stores is fitted from now on. */
export const fitBy = (stores: Stores, fitter: Fitter): void => void fitters.set(stores, fitter);

/** A piece of work that has a thread to itself fits beside its other work. */
export function fitterOf(stores: Stores): Fitter {
  let fitter = fitters.get(stores);
  if (!fitter) fitters.set(stores, (fitter = new SlicedFitter()));
  return fitter;
}
