import { register } from 'node:module';
import { classNamesSource } from './classNames.mjs';

// Components import their style sheets; a test needs no more of them than the names of the classes.
register(
  `data:text/javascript,${encodeURIComponent(`
    const source = ${JSON.stringify(classNamesSource)};
    export const load = (url, context, next) => (url.endsWith('.css') ? { format: 'module', source, shortCircuit: true } : next(url, context));
  `)}`,
);
