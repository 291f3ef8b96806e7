import { nearTwins, type NearTwins } from '../../core/colour/nearTwins';
import type { Paint } from '../../core/scheme/model/definitions';

export interface TwinsRequest {
  paints: Pick<Paint, 'id' | 'hex' | 'kind'>[];
  limit: number;
}

addEventListener('message', ({ data }: MessageEvent<TwinsRequest>) => {
  postMessage(nearTwins(data.paints, data.limit) satisfies NearTwins[]);
});
