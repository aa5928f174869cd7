import { BadInput } from '../units';

/** A whole day of a calendar; one of every year carries on. */
export interface CalendarDay {
  /** Keeps a day the same when it is handed over again. */
  readonly id: string;
  /** `YYYY-MM-DD`. */
  readonly day: string;
  readonly name: string;
  readonly everyYear: boolean;
}

/** Days as a calendar file (iCalendar, RFC 5545) that other calendars can take in. */
export async function writeCalendar(days: readonly CalendarDay[], madeAt: Date): Promise<string> {
  const ical = await loadCalendar();
  const calendar = new ical.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Kettle Drift//occasions//EN');
  for (const { id, day, name, everyYear } of days) {
    const event = new ical.Component('vevent');
    event.addPropertyWithValue('uid', `${id}@kettle-drift`);
    event.addPropertyWithValue('dtstamp', ical.Time.fromJSDate(madeAt, true));
    event.addPropertyWithValue('dtstart', ical.Time.fromDateString(day));
    event.addPropertyWithValue('summary', name);
    event.addPropertyWithValue('transp', 'TRANSPARENT');
    if (everyYear) event.addPropertyWithValue('rrule', new ical.Recur({ freq: 'YEARLY' }));
    calendar.addSubcomponent(event);
  }
  return calendar.toString();
}

/**
 * The days of a calendar file. Events at an hour count by their day; of those that repeat only yearly ones carry on.
 * Throws `BadInput` for a file that is no calendar.
 */
export async function readCalendar(text: string): Promise<CalendarDay[]> {
  const ical = await loadCalendar();
  const root = parsed(ical, text);
  return root.getAllSubcomponents('vevent').flatMap((component, i) => {
    const event = new ical.Event(component);
    // The types promise a start; files do not.
    const start = event.startDate as typeof event.startDate | null;
    if (!start) return [];
    const rule = component.getFirstPropertyValue('rrule');
    return [
      {
        id: event.uid || `event-${i}`,
        day: start.toString().slice(0, 10),
        name: event.summary || 'a day without a name',
        everyYear: rule instanceof ical.Recur && rule.freq === 'YEARLY' && rule.interval === 1,
      },
    ];
  });
}

/** Loaded when a calendar is handed over, never before. */
async function loadCalendar() {
  const { default: ical } = await import('ical.js');
  // Its continued lines are a space longer than this; RFC 5545 §3.1 asks for 75 octets at most.
  ical.foldLength = 74;
  return ical;
}

function parsed(ical: Awaited<ReturnType<typeof loadCalendar>>, text: string) {
  try {
    const root = new ical.Component(ical.parse(text) as unknown[]);
    if (root.name === 'vcalendar') return root;
  } catch (cause) {
    throw new BadInput(
      'calendar',
      `is not a calendar file: ${cause instanceof Error ? cause.message : String(cause)}`,
    );
  }
  throw new BadInput('calendar', 'holds no calendar');
}
