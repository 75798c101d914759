import { usePreferredDark, useStorage } from '@vueuse/core'
import {
  autoCompleteDark,
  buttonDark,
  cardDark,
  checkboxDark,
  commonDark,
  createTheme,
  dialogDark,
  emptyDark,
  inputDark,
  inputNumberDark,
  messageDark,
  modalDark,
  popoverDark,
  progressDark,
  scrollbarDark,
  selectDark,
  switchDark,
  tagDark,
  type GlobalTheme,
  type GlobalThemeOverrides,
} from 'naive-ui'
import { computed, watchEffect } from 'vue'
import { dark, light, type Palette } from './palette.ts'

const font = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"

/** The kit's dark theme of the pieces that are used here: its own has all that there are, and a place would wait for them. */
const darkTheme: GlobalTheme = {
  ...createTheme('dark', [
    autoCompleteDark,
    buttonDark,
    cardDark,
    checkboxDark,
    dialogDark,
    emptyDark,
    inputDark,
    inputNumberDark,
    messageDark,
    modalDark,
    popoverDark,
    progressDark,
    scrollbarDark,
    selectDark,
    switchDark,
    tagDark,
  ]),
  common: commonDark,
}

/** The component kit, dressed in the application's own look. */
function overridesFor(p: Palette): GlobalThemeOverrides {
  return {
    common: {
      fontFamily: font,
      fontFamilyMono: font,
      fontSize: '17px',
      fontSizeMedium: '17px',
      fontSizeLarge: '19px',
      borderRadius: '6px',
      primaryColor: p.sea,
      primaryColorHover: p.seaHover,
      primaryColorPressed: p.seaHover,
      primaryColorSuppl: p.sea,
      errorColor: p.out,
      warningColor: p.close,
      successColor: p.in,
      infoColor: p.sea,
      textColorBase: p.ink,
      textColor1: p.ink,
      textColor2: p.ink,
      textColor3: p.ink2,
      placeholderColor: p.ink3,
      bodyColor: p.paper,
      cardColor: p.raised,
      modalColor: p.raised,
      popoverColor: p.raised,
      tableColor: p.paper,
      inputColor: p.raised,
      borderColor: p.line,
      dividerColor: p.line,
      heightMedium: '48px',
      heightLarge: '64px',
    },
    Button: {
      textColorPrimary: p.seaInk,
      textColorHoverPrimary: p.seaInk,
      textColorPressedPrimary: p.seaInk,
      textColorFocusPrimary: p.seaInk,
      fontWeight: '600',
      fontWeightStrong: '650',
      fontSizeMedium: '17px',
      fontSizeLarge: '20px',
      border: `1.5px solid ${p.line}`,
      paddingMedium: '0 18px',
    },
    Input: {
      border: `1.5px solid ${p.line}`,
      heightLarge: '56px',
      fontSizeLarge: '19px',
      // What a person may not change is still read.
      colorDisabled: p.paper,
      textColorDisabled: p.ink2,
    },
    Select: {
      peers: {
        InternalSelection: {
          heightLarge: '56px',
          fontSizeLarge: '19px',
          border: `1.5px solid ${p.line}`,
          colorDisabled: p.paper,
          textColorDisabled: p.ink2,
        },
      },
    },
    Switch: { railColorActive: p.sea },
  }
}

const cssName = (name: string) => `--${name.replace(/([A-Z0-9])/g, (c) => `-${c.toLowerCase()}`)}`

const choice = useStorage<'auto' | 'light' | 'dark'>('tadka.theme', 'auto')

/** The theme in force: by the tablet's own setting until someone chooses. */
export function useTheme() {
  const prefersDark = usePreferredDark()
  const isDark = computed(() => (choice.value === 'auto' ? prefersDark.value : choice.value === 'dark'))
  const palette = computed(() => (isDark.value ? dark : light))
  watchEffect(() => {
    const { style, dataset } = document.documentElement
    dataset['theme'] = isDark.value ? 'dark' : 'light'
    for (const [name, colour] of Object.entries(palette.value)) style.setProperty(cssName(name), colour)
  })
  return {
    choice,
    isDark,
    palette,
    base: computed(() => (isDark.value ? darkTheme : null)),
    overrides: computed(() => overridesFor(palette.value)),
  }
}
