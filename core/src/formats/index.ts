export * from './net.js';
