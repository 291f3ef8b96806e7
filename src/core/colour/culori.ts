import { modeLab65, modeLrgb, modeRgb, useMode as register } from 'culori/fn';

/**
 * The colour library with the three ways of telling a colour that are used here: all of it would be a fifth of the script of a small view.
 * What takes something of it takes it from here, so that they are known by then.
 */
register(modeRgb);
register(modeLrgb);
register(modeLab65);

export { converter, formatHex, parse } from 'culori/fn';
export type { Lab65, Lrgb } from 'culori/fn';
