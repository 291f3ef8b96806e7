import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import type { Fitter } from './fitter';
import { SlicedFitter } from './SlicedFitter';

const FITTER = memoKey<Fitter>('where the log is fitted');

/** Where the log of these stores is fitted from now on. */
export const fitBy = (stores: Stores, fitter: Fitter): void => stores.memory.set(FITTER, fitter);

/** A piece of work that has a thread to itself fits beside its other work. */
export const fitterOf = (stores: Stores): Fitter => stores.memory.once(FITTER, () => new SlicedFitter());
