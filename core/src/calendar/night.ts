import ical, { ICalAlarmType } from 'ical-generator';
import type { NightTask } from '../night/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { taskWords } from '../words/index.js';

/** How long before something is to be done it is told, s: time to wake and find the lamp. Judgement. */
const WAKES = 15 * 60;
const LONG = 15 * 60_000;

/**
 * What a night asks for as a calendar with an alarm for each (iCalendar, RFC 5545).
 * @param id   of the rig: the same tasks taken in again replace those before
 * @param made when it was made, milliseconds since 1970
 */
export function nightCalendar(
  id: string,
  name: string,
  tasks: readonly NightTask[],
  units: UnitChoice,
  made: number,
): string {
  const calendar = ical({ name: `${name}, tonight`, prodId: { company: 'rough-bight', product: 'night plan' } });
  for (const task of tasks) {
    const { what, how } = taskWords(task, units);
    const event = calendar.createEvent({
      id: `${id}-${task.kind === 'retension' ? task.because : `before-${task.time}`}@rough-bight`,
      start: new Date(task.time),
      end: new Date(task.time + LONG),
      stamp: new Date(made),
      summary: `${name}: ${what}`,
      description: how,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: WAKES });
  }
  return calendar.toString();
}
