export * from './quantity.js';
export * from './words.js';
