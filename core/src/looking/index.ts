/** When to look: looking times, and the decision whether to open at the next one. */
export * from './alarms.js';
export * from './away.js';
export * from './next-look.js';
export * from './question.js';
