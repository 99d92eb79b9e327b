/** The face of the core for texts that are read by their series of numbers, of which the known forms leave too much open. */
export { bySeries } from './deciding/bySeries.js';
