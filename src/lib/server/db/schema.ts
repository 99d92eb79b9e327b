/** All tables, a file for each matter. */
export * from './tables/patterns.js';
export * from './tables/drafts.js';
export * from './tables/queries.js';
export * from './tables/tests.js';
export * from './tables/releases.js';
export * from './tables/house.js';
export * from './tables/people.js';
export * from './tables/deeds.js';
export * from './tables/words.js';
export * from './tables/training.js';
export * from './tables/plan.js';
