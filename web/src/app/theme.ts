import { definePreset } from '@primeuix/themes';
import badge from '@primeuix/themes/aura/badge';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import chip from '@primeuix/themes/aura/chip';
import confirmdialog from '@primeuix/themes/aura/confirmdialog';
import datepicker from '@primeuix/themes/aura/datepicker';
import dialog from '@primeuix/themes/aura/dialog';
import drawer from '@primeuix/themes/aura/drawer';
import iconfield from '@primeuix/themes/aura/iconfield';
import inputgroup from '@primeuix/themes/aura/inputgroup';
import inputnumber from '@primeuix/themes/aura/inputnumber';
import inputtext from '@primeuix/themes/aura/inputtext';
import menu from '@primeuix/themes/aura/menu';
import multiselect from '@primeuix/themes/aura/multiselect';
import paginator from '@primeuix/themes/aura/paginator';
import progressbar from '@primeuix/themes/aura/progressbar';
import radiobutton from '@primeuix/themes/aura/radiobutton';
import ripple from '@primeuix/themes/aura/ripple';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import slider from '@primeuix/themes/aura/slider';
import textarea from '@primeuix/themes/aura/textarea';
import toast from '@primeuix/themes/aura/toast';
import togglebutton from '@primeuix/themes/aura/togglebutton';
import toggleswitch from '@primeuix/themes/aura/toggleswitch';
import virtualscroller from '@primeuix/themes/aura/virtualscroller';

/** The library's look of the parts that are drawn here; a part that is not named would stand without any. */
const PARTS = {
  ...base,
  components: {
    badge,
    button,
    checkbox,
    chip,
    confirmdialog,
    datepicker,
    dialog,
    drawer,
    iconfield,
    inputgroup,
    inputnumber,
    inputtext,
    menu,
    multiselect,
    paginator,
    progressbar,
    radiobutton,
    ripple,
    select,
    selectbutton,
    slider,
    textarea,
    toast,
    togglebutton,
    toggleswitch,
    virtualscroller,
  },
};

/**
 * Warm Jar's own look over the component library: bottle green acts, chalk is the ground, corners are cut small. Its
 * colours are the style sheet's, so that they follow it into a dim room.
 */
export const WarmJarTheme = definePreset(PARTS, {
  components: {
    slider: {
      root: { transitionDuration: '0s' },
      track: { background: 'var(--track)', size: '10px' },
      range: { background: 'var(--action)' },
      handle: {
        width: '26px',
        height: '26px',
        background: 'var(--action)',
        hoverBackground: 'var(--action-strong)',
        content: { width: '18px', height: '18px', background: 'var(--card)', hoverBackground: 'var(--card)' },
      },
    },
    button: {
      colorScheme: {
        light: {
          root: {
            secondary: {
              background: 'var(--chalk-0)',
              hoverBackground: 'var(--bottle-50)',
              activeBackground: 'var(--bottle-150)',
              borderColor: 'var(--action)',
              hoverBorderColor: 'var(--action-strong)',
              activeBorderColor: 'var(--action-strong)',
              color: 'var(--action)',
              hoverColor: 'var(--action-strong)',
              activeColor: 'var(--action-strong)',
            },
            danger: {
              background: 'var(--outside)',
              hoverBackground: 'var(--outside)',
              activeBackground: 'var(--outside)',
              borderColor: 'var(--outside)',
              hoverBorderColor: 'var(--outside)',
              activeBorderColor: 'var(--outside)',
              color: 'var(--on-outside)',
              hoverColor: 'var(--on-outside)',
              activeColor: 'var(--on-outside)',
            },
          },
          text: {
            secondary: { color: 'var(--action)', hoverBackground: 'var(--bottle-50)' },
            danger: { color: 'var(--outside)', hoverBackground: 'var(--outside-ground)' },
          },
          outlined: { secondary: { color: 'var(--action)', borderColor: 'var(--action)' } },
        },
      },
    },
    togglebutton: {
      colorScheme: {
        light: {
          root: {
            background: 'var(--chalk-0)',
            checkedBackground: 'var(--action)',
            hoverBackground: 'var(--bottle-50)',
            borderColor: 'var(--field-edge)',
            checkedBorderColor: 'var(--action)',
            color: 'var(--ink-900)',
            hoverColor: 'var(--ink-900)',
            checkedColor: 'var(--on-action)',
          },
          content: { checkedBackground: 'var(--action)' },
        },
      },
    },
    inputgroup: { addon: { color: 'var(--ink-700)', background: 'var(--chalk-50)' } },
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
    focusRing: { width: '3px', style: 'solid', color: 'var(--part-a)', offset: '2px' },
    colorScheme: {
      light: {
        surface: {
          0: 'var(--chalk-0)',
          50: 'var(--chalk-50)',
          100: 'var(--chalk-100)',
          200: 'var(--chalk-200)',
          300: 'var(--chalk-400)',
          400: 'var(--chalk-400)',
          500: 'var(--ink-500)',
          600: 'var(--ink-500)',
          700: 'var(--ink-700)',
          800: 'var(--ink-700)',
          900: 'var(--ink-900)',
          950: 'var(--ink-900)',
        },
        primary: {
          color: 'var(--action)',
          contrastColor: 'var(--on-action)',
          hoverColor: 'var(--action-strong)',
          activeColor: 'var(--action-strong)',
        },
        formField: {
          borderColor: 'var(--field-edge)',
          hoverBorderColor: 'var(--action)',
          placeholderColor: '{surface.600}',
          invalidBorderColor: 'var(--outside)',
          borderRadius: '6px',
        },
        text: { color: 'var(--ink-900)', mutedColor: 'var(--ink-500)' },
      },
    },
  },
});
