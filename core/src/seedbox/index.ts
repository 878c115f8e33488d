/** Packets in store: ageing, stock, tables in and out. */
export * from './again.js';
export * from './columns.js';
export * from './isolation.js';
export * from './rows.js';
export * from './stock.js';
export * from './storage.js';
