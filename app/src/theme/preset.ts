import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import dialog from '@primeuix/themes/aura/dialog';
import inputnumber from '@primeuix/themes/aura/inputnumber';
import inputtext from '@primeuix/themes/aura/inputtext';
import menu from '@primeuix/themes/aura/menu';
import multiselect from '@primeuix/themes/aura/multiselect';
import progressbar from '@primeuix/themes/aura/progressbar';
import select from '@primeuix/themes/aura/select';
import slider from '@primeuix/themes/aura/slider';
import toggleswitch from '@primeuix/themes/aura/toggleswitch';

/** Deep teal for water and time; the only accent besides the rust of “stop”. */
const TEAL = {
  50: '#eef5f5',
  100: '#d5e6e6',
  200: '#b3d1d1',
  300: '#86b4b5',
  400: '#4f8f91',
  500: '#0f5e63',
  600: '#0d5358',
  700: '#0b464a',
  800: '#09393c',
  900: '#072c2f',
  950: '#041c1e',
};

/** Nearly colourless, since colour is judged here. */
const GROUND = {
  0: '#ffffff',
  50: '#fbfbf9',
  100: '#f4f4f2',
  200: '#e9e9e7',
  300: '#d6d6d4',
  400: '#a9abac',
  500: '#767c82',
  600: '#545d66',
  700: '#3b4650',
  800: '#2a343f',
  900: '#1c2733',
  950: '#121a23',
};

const RUST = {
  50: '#faf1ee',
  100: '#f2dcd5',
  200: '#e4b9ac',
  300: '#d1907d',
  400: '#b9634b',
  500: '#9c3a1f',
  600: '#8a331b',
  700: '#742b17',
  800: '#5e2313',
  900: '#491b0e',
  950: '#2d1108',
};

/** The house’s look of the component library: quiet, square-shouldered, paper and ink. */
export const KETTLE_PRESET = definePreset(
  {
    ...base,
    components: {
      button,
      checkbox,
      dialog,
      inputnumber,
      inputtext,
      menu,
      multiselect,
      progressbar,
      select,
      slider,
      toggleswitch,
    },
  },
  {
    primitive: {
      red: RUST,
      borderRadius: { none: '0', xs: '1px', sm: '2px', md: '3px', lg: '4px', xl: '5px' },
    },
    components: {
      button: {
        colorScheme: {
          light: {
            outlined: {
              secondary: {
                color: GROUND[900],
                borderColor: GROUND[500],
                hoverBackground: GROUND[200],
                activeBackground: GROUND[300],
              },
            },
          },
        },
      },
      inputnumber: { colorScheme: { light: { button: { color: GROUND[700] } } } },
      select: { dropdown: { color: GROUND[700] }, clearIcon: { color: GROUND[700] } },
    },
    semantic: {
      primary: TEAL,
      focusRing: { width: '2px', style: 'solid', color: '#0f5e63', offset: '2px' },
      formField: { paddingX: '0.7rem', paddingY: '0.45rem', borderRadius: '3px' },
      colorScheme: {
        light: {
          surface: GROUND,
          primary: {
            color: TEAL[500],
            contrastColor: '#ffffff',
            hoverColor: TEAL[700],
            activeColor: TEAL[800],
          },
          text: {
            color: GROUND[900],
            hoverColor: GROUND[950],
            mutedColor: GROUND[600],
            hoverMutedColor: GROUND[700],
          },
          formField: {
            background: GROUND[50],
            borderColor: '#8a9096',
            hoverBorderColor: GROUND[600],
            color: GROUND[900],
            placeholderColor: GROUND[600],
            shadow: 'none',
          },
        },
      },
    },
  },
);
