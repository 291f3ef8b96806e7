import type { Knex } from 'knex';

export const name = '20261130_the_ground_says_so';

const NAMES = /\b(base|bases|ground|plinth|plinths)\b/i;
const LAID_ON_GROUND = ['texture', 'rim', 'scatter'];

interface Part {
  name: string;
  isBase: boolean;
  steps: { technique: string }[];
}

/** A part was the ground that the model stands on by what was done there; now it says so. Where its name does not, it is none. */
export async function up(knex: Knex): Promise<void> {
  for (const { id, scheme } of (await knex('unit').select('id', 'scheme')) as { id: string; scheme: string }[]) {
    const { parts = [], ...rest } = JSON.parse(scheme) as { parts?: Part[] };
    const isGround = ({ name: called, isBase, steps }: Part) =>
      isBase || (NAMES.test(called) && steps.some(({ technique }) => LAID_ON_GROUND.includes(technique)));
    if (parts.every((part) => part.isBase === isGround(part))) continue;
    const said = parts.map((part) => ({ ...part, isBase: isGround(part) }));
    await knex('unit')
      .where({ id })
      .update({ scheme: JSON.stringify({ ...rest, parts: said }) });
  }
}

/** What says that it is the ground is as good as what was taken for it. */
export async function down(): Promise<void> {
  return Promise.resolve();
}
