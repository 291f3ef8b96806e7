import { Mixer } from '../../core/colour/mixing';

/** One for all that a page shows: spectra are worked out once. */
export const mixer = new Mixer();
