/** Stands for a style sheet: each class goes by its own name. */
export const classNamesSource = 'export default new Proxy({}, { get: (_, name) => String(name) });';
