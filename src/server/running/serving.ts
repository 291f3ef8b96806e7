import { Gate } from './gate';

/** Every request passes together with the others; what changes the very file passes alone. */
export const serving = new Gate();
