import { expect, it } from 'vitest';
import { readCalendar, writeCalendar, type CalendarDay } from '.';

const DAYS: CalendarDay[] = [
  { id: 'post-1', day: '2026-12-09', name: 'Post “Kettle, in the rain; at last”', everyYear: false },
  { id: 'wilma', day: '2028-02-29', name: 'birthday, Wilma Okonedo', everyYear: true },
];
const MADE = new Date(Date.UTC(2026, 10, 27, 8, 30));

it('comes back as it was handed over', async () => {
  const text = await writeCalendar(DAYS, MADE);
  expect((await readCalendar(text)).days).toEqual(
    DAYS.map((day) => ({ ...day, id: `${day.id}@kettle-drift` })),
  );
});

it('is what RFC 5545 asks: whole days, stamped, lines of at most 75 octets ended by CRLF', async () => {
  const text = await writeCalendar([{ ...DAYS[0], name: 'long '.repeat(40) }], MADE);
  const lines = text.split('\r\n');
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(text).toContain('DTSTART;VALUE=DATE:20261209');
  expect(text).toContain('DTSTAMP:20261127T083000Z');
  for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});

it('takes in what other calendars write: hours, zones, exceptions to a year', async () => {
  const text = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Somebody//else//EN',
    'BEGIN:VEVENT',
    'UID:a',
    'DTSTART;TZID=Europe/Somewhere:20270314T190000',
    'SUMMARY:Anniversary\\, the\\nMarrows',
    'RRULE:FREQ=YEARLY',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:b',
    'DTSTART;VALUE=DATE:20270401',
    'SUMMARY:Market',
    'RRULE:FREQ=MONTHLY',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n');
  expect((await readCalendar(text)).days).toEqual([
    { id: 'a', day: '2027-03-14', name: 'Anniversary, the\nMarrows', everyYear: true },
    { id: 'b', day: '2027-04-01', name: 'Market', everyYear: false },
  ]);
});

it('takes a bare day as a day, a repeated event once, and tells of days that no calendar has', async () => {
  const event = (...lines: string[]): string[] => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'];
  const bare = event('UID:a', 'DTSTART:20270401', 'SUMMARY:Market', 'RRULE:FREQ=YEARLY');
  const text = [
    'BEGIN:VCALENDAR',
    ...[bare, bare, bare, bare, bare].flat(),
    ...event('UID:b', 'DTSTART;VALUE=DATE:20270231', 'SUMMARY:Never'),
    ...event('UID:c', 'SUMMARY:No day'),
    ...event('UID:d', 'DTSTART;VALUE=DATE:20270505', 'SUMMARY:Last', 'RRULE:FREQ=YEARLY;INTERVAL=2'),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
  expect(await readCalendar(text)).toEqual({
    days: [
      { id: 'a', day: '2027-04-01', name: 'Market', everyYear: true },
      { id: 'd', day: '2027-05-05', name: 'Last', everyYear: false },
    ],
    unread: 2,
  });
});

it.each([
  '',
  'not a calendar',
  'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nEND:VCALENDAR',
  'BEGIN:VCARD\r\nEND:VCARD',
])('refuses “%s” with what is wrong', (text) => expect(readCalendar(text)).rejects.toThrow(/^calendar: /));
