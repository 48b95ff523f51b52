export * from './cords.js';
export * from './advice.js';
