/** The year between the frosts. */
export * from './frost.js';
