export * from './common.js';
export * from './accounts.js';
export * from './clients.js';
export * from './assessments.js';
export * from './blocks.js';
export * from './sessions.js';
