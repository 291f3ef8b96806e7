import type { Part } from './definitions';

const NAMES = /\b(base|bases|ground|plinth|plinths)\b/i;
const LAID_ON_GROUND = ['texture', 'rim', 'scatter'];

/** Does a part sound like the ground that the model stands on? Asked when a part is entered; after that the painter's word holds. */
export const namesTheGround = (name: string): boolean => NAMES.test(name);

/** A part of a time when texture, a rim or scatter made any part the ground: it still is where its name says so too. */
export const withGroundOfEarlier = <P extends Pick<Part, 'name' | 'isBase'> & { steps: readonly { technique: string }[] }>(part: P): P =>
  !part.isBase && namesTheGround(part.name) && part.steps.some(({ technique }) => LAID_ON_GROUND.includes(technique))
    ? { ...part, isBase: true }
    : part;
