export { nightCalendar } from './night.js';
