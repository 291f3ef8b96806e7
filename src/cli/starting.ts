/** What a start needs of the built program. */
export { serve } from '../server/http/serve';
export { prepareData } from '../server/starting/prepareData';
