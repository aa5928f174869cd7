import { NEW_STUDIO, type Studio } from '@kettle/core/plan';

/** Millrace Lane: a one-table studio over a canal workshop. Made up, like everything here. */
export const MILLRACE_LANE: Studio = {
  ...NEW_STUDIO,
  name: 'Millrace Lane',
  painter: 'Ottilie Marrow',
  climate: { tempC: 19.4, rh: 0.54, airMs: 0 },
  evenings: [
    { weekday: 2, minutes: 90 },
    { weekday: 4, minutes: 90 },
    { weekday: 6, minutes: 180 },
  ],
  people: [
    {
      id: 'wilma',
      name: 'Wilma Okonedo',
      days: [{ name: 'birthday', rule: { kind: 'date', month: 3, day: 14 } }],
    },
    {
      id: 'corin',
      name: 'Corin Vale',
      days: [
        { name: 'birthday', rule: { kind: 'date', month: 12, day: 19 } },
        { name: 'moving day', rule: { kind: 'date', month: 1, day: 9 } },
      ],
    },
    { id: 'tamsin', name: 'Tamsin at the lock cottage', days: [] },
  ],
  occasions: [
    { id: 'lanterns', name: 'Lantern walk', rule: { kind: 'weekday', month: 1, weekday: 6, nth: -1 } },
  ],
};
