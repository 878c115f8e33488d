/** A temperature logger's file, as it comes, to the hours of a record. */
export * from './columns.js';
export * from './hours.js';
export { clockReader, looksLikeMoment, ordersOf, readMoment, type DayOrder } from './moments.js';
