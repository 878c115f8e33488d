/** Every request and response, once; types are inferred from the schemas. */
export * from './choices.js';
export { fieldOf } from './refusals.js';
export * from './fields.js';
export * from './garden-requests.js';
export * from './nursery-requests.js';
export * from './nursery-responses.js';
export * from './batch-requests.js';
export * from './requests.js';
export * from './mend-requests.js';
export * from './responses.js';
export * from './batch-responses.js';
export * from './sitting-requests.js';
export * from './sitting-responses.js';
export * from './packet-requests.js';
export * from './packet-responses.js';
export * from './spot-requests.js';
export * from './spot-responses.js';
export * from './queries.js';
