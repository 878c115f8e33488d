/** What is answered about a parcel and what to do: verdicts, troubles, mould, Why. */
export * from './counsel.js';
export * from './elsewhere.js';
export * from './headline.js';
export * from './judgement.js';
export * from './lift.js';
export * from './mend.js';
export * from './mould.js';
export * from './quiet.js';
export * from './report.js';
export * from './supplying.js';
export * from './trouble-guide.js';
export * from './why.js';
