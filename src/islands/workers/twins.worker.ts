import { expose } from 'comlink';
import { nearTwins } from '../../core/colour/nearTwins';

const twins = { near: nearTwins };

export type TwinsWorker = typeof twins;
expose(twins);
