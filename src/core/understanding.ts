/** The face of the core for what a text says besides its rounds, which is looked at where there is no round. */
export { overviewOf } from './overview/overview.js';
