import { expose } from 'comlink';
import { nearTwins } from '../../core/paint/nearTwins';

const twins = { near: nearTwins };

export type TwinsWorker = typeof twins;
expose(twins);
