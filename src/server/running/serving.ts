import { Gate } from './gate';
import { OpenQuestions } from './OpenQuestions';

/** Every request passes together with the others; what changes the very file passes alone. */
export const serving = new Gate();

/** What takes longer than a request waits. */
export const openQuestions = new OpenQuestions();
