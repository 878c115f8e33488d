/** Every sentence the product says about facts, and every word for a code. */
export * from './advice.js';
export * from './figures.js';
export * from './headline.js';
export * from './journal.js';
export * from './known.js';
export * from './leave.js';
export * from './lift.js';
export * from './mend.js';
export * from './move-card.js';
export * from './next.js';
export * from './reasons.js';
export * from './soak.js';
export * from './supply.js';
export * from './test.js';
export * from './told.js';
export * from './vocabulary.js';
export * from './why.js';
