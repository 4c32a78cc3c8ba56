import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

/** Warm Jar's own look over the component library: bottle green acts, chalk is the ground, corners are cut small. */
export const WarmJarTheme = definePreset(Aura, {
  components: {
    button: {
      colorScheme: {
        light: {
          root: {
            secondary: {
              background: '#ffffff',
              hoverBackground: '#e6f0ec',
              activeBackground: '#cfe2db',
              borderColor: '#17493f',
              hoverBorderColor: '#123a33',
              activeBorderColor: '#0d2b26',
              color: '#17493f',
              hoverColor: '#123a33',
              activeColor: '#0d2b26',
            },
            danger: {
              background: '#94280f',
              hoverBackground: '#7d200b',
              activeBackground: '#651908',
              borderColor: '#94280f',
              hoverBorderColor: '#7d200b',
              activeBorderColor: '#651908',
            },
          },
          text: {
            secondary: { color: '#17493f', hoverBackground: '#e6f0ec' },
            danger: { color: '#94280f', hoverBackground: '#f9e1da' },
          },
          outlined: { secondary: { color: '#17493f', borderColor: '#17493f' } },
        },
      },
    },
    togglebutton: {
      colorScheme: {
        light: {
          root: {
            background: '#ffffff',
            checkedBackground: '#17493f',
            hoverBackground: '#e6f0ec',
            borderColor: '#8f8c80',
            checkedBorderColor: '#17493f',
            color: '#1b2320',
            hoverColor: '#1b2320',
            checkedColor: '#ffffff',
          },
          content: { checkedBackground: '#17493f' },
        },
      },
    },
    inputgroup: { addon: { color: '#3d4844', background: '#f7f5f0' } },
  },
  semantic: {
    primary: {
      50: '#e6f0ec',
      100: '#cfe2db',
      200: '#bcd5cc',
      300: '#8bb3a9',
      400: '#5d9285',
      500: '#2f7365',
      600: '#1f5d51',
      700: '#17493f',
      800: '#123a33',
      900: '#0d2b26',
      950: '#081d1a',
    },
    focusRing: { width: '3px', style: 'solid', color: '#d9962f', offset: '2px' },
    colorScheme: {
      light: {
        surface: {
          0: '#ffffff',
          50: '#f7f5f0',
          100: '#eeebe3',
          200: '#dedacf',
          300: '#c9c4b6',
          400: '#a9a596',
          500: '#6b726d',
          600: '#5a6661',
          700: '#3d4844',
          800: '#29332f',
          900: '#1b2320',
          950: '#111714',
        },
        primary: {
          color: '{primary.700}',
          contrastColor: '#ffffff',
          hoverColor: '{primary.800}',
          activeColor: '{primary.900}',
        },
        formField: {
          borderColor: '#8f8c80',
          hoverBorderColor: '{primary.700}',
          placeholderColor: '{surface.600}',
          invalidBorderColor: '#94280f',
          borderRadius: '6px',
        },
        text: { color: '#1b2320', mutedColor: '#5a6661' },
      },
    },
  },
});
