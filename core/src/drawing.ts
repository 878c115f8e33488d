/** Geometry for drawings, free of statistics, so that the first load can hold it. */
export * from './towel/layout.js';
