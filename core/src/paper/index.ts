/** What goes on paper: pages, grids of labels, templates to scale, and the code of a label. */
export * from './code.js';
export * from './labels.js';
export * from './pages.js';
export * from './template.js';
