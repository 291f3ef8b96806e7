import { expose } from 'comlink';
import { Mixer } from '../../core/colour/mixing';
import { matchesOf, type MatchWish } from '../../core/paint/match';
import { marksOf, type MarksWish } from '../../core/paint/marks';
import type { Paint } from '../../core/scheme/model/definitions';

const mixer = new Mixer();

const match = {
  find: (shelf: Paint[], wish: MatchWish) => matchesOf(shelf, wish, mixer),
  marks: (shelf: Paint[], wish: MarksWish) => marksOf(shelf, wish),
};

export type MatchWorker = typeof match;
expose(match);
