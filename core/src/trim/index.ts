export * from './press.js';
export * from './felt.js';
export * from './bunched.js';
export * from './crease.js';
export * from './schools.js';
export * from './trim.js';
