/** The face of the core for the search for fixes, which begins when nobody types. */
export { fixedReport, searchIn } from './report/fixed.js';
