import { BadInput } from '../../kit/units';

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

/** What a calendar file was found to hold. */
export interface ReadCalendar {
  readonly days: CalendarDay[];
  /** Events without a day, or with one that no calendar has. */
  readonly unread: number;
}

/**
 * The days of a calendar file. Events at an hour count by their day; of those that repeat only yearly ones carry on; one that
 * stands there more than once counts once. Throws `BadInput` for a file that is no calendar.
 */
export async function readCalendar(text: string): Promise<ReadCalendar> {
  const ical = await loadCalendar();
  const events = parsed(ical, text).getAllSubcomponents('vevent');
  const days = new Map<string, CalendarDay>();
  let unread = 0;
  for (const event of events) {
    const said = (name: string): string => {
      const value: unknown = event.getFirstPropertyValue(name);
      return typeof value === 'string' ? value : '';
    };
    // The library makes a moment of it, and gives up on a bare day that is not said to be one.
    const written = valueOf(event.getFirstProperty('dtstart')?.toJSON());
    const day = typeof written === 'string' ? dayIn(written) : null;
    if (day === null) {
      unread++;
      continue;
    }
    const rule = yearlyRule(valueOf(event.getFirstProperty('rrule')?.toJSON()));
    const name = said('summary') || 'a day without a name';
    const id = said('uid') || `${day} ${name}`;
    days.set(`${id} ${day} ${name}`, { id, day, name, everyYear: rule });
  }
  return { days: [...days.values()], unread };
}

/** The first value of a property as jCal lays it out (RFC 7265, 3.4): name, parameters, type, values. */
const valueOf = (property: unknown): unknown =>
  Array.isArray(property) ? (property as unknown[])[3] : undefined;

/** The day a moment begins with, `2027-04-01T19:00:00` or `20270401`; `null` for one that no calendar has. */
function dayIn(written: string): string | null {
  const found = /^(\d{4})-?(\d{2})-?(\d{2})/.exec(written);
  if (!found) return null;
  const day = found.slice(1, 4).join('-');
  const real = new Date(`${day}T00:00:00Z`);
  return Number.isNaN(real.getTime()) || real.toISOString().slice(0, 10) !== day ? null : day;
}

/** Whether a rule says: every year, on this day. */
function yearlyRule(rule: unknown): boolean {
  if (typeof rule !== 'object' || rule === null) return false;
  const { freq, interval = 1 } = rule as { freq?: unknown; interval?: unknown };
  return freq === 'YEARLY' && interval === 1;
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
