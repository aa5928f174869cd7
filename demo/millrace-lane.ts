import { NEW_STUDIO, type Studio } from '@kettle/core/document/plan';

/** Millrace Lane: a one-table studio over a canal workshop. Made up, like everything here. */
export const MILLRACE_LANE: Studio = {
  ...NEW_STUDIO,
  name: 'Millrace Lane',
  painter: 'Ottilie Marrow',
  climate: { tempC: 19.4, rh: 0.54, airMs: 0 },
  box: [
    ['PB29', 'big blue pan', 'row 1'],
    ['PB15:3', '', 'row 1'],
    ['PG7', '', 'row 1'],
    ['PY150', '', 'row 2'],
    ['PY3', '', 'row 2'],
    ['PO48', 'the glowing one', 'row 2'],
    ['PR122', '', 'row 3'],
    ['PR101', '', 'row 3'],
    ['PBr7-burnt-sienna', '', 'row 4'],
    ['PBr7-raw-sienna', '', 'row 4'],
    ['PB60', '', 'row 4'],
    ['PW6', 'white, tube', 'drawer'],
    ['MICA-gold', '', 'drawer'],
  ].map(([code, label, place]) => ({ code, label, place })),
  moods: [
    { word: 'quiet', light: 0.75, warm: -0.4, strong: 0.25 },
    { word: 'warm', light: 0.6, warm: 0.8, strong: 0.7 },
    { word: 'get well', light: 0.8, warm: 0.5, strong: 0.4 },
  ],
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
