import { quitBrowsers } from './browser';

/** Browsers are shared by the files of a run. */
export const mochaGlobalTeardown = quitBrowsers;
