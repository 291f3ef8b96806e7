/** How a letter ends; without a name while House rules have none. */
export const regards = (painter: string): string => `Kind regards${painter.trim() === '' ? '' : `,\n${painter.trim()}`}`;
