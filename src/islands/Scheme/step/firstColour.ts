const COLOURS = ['#8a5a33', '#4f6b3a', '#3f5f8a', '#a33f33', '#c9a24a', '#6b4a7a', '#4a4f55', '#d8cdb4'];

/** What a colour field starts from, a different one each time, until the painter has matched the pot. */
export const firstColour = (paints: number): string => COLOURS[paints % COLOURS.length]!;
