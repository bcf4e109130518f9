import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/atkinson-hyperlegible-mono/400.css';
import '@fontsource/atkinson-hyperlegible-mono/600.css';
import { createTheme } from '@mui/material/styles';

declare module '@mui/material/styles' {
  interface CssThemeVariables {
    enabled: true;
  }
  interface Palette {
    /** The rope that the thread is drawn with, and the two things a bench must not miss. */
    thread: string;
    comb: string;
    due: { main: string; contrastText: string };
    hold: { main: string; contrastText: string; stripe: string };
    line: string;
  }
  interface PaletteOptions {
    thread?: string;
    comb?: string;
    due?: { main: string; contrastText: string };
    hold?: { main: string; contrastText: string; stripe: string };
    line?: string;
  }
}

export const MONO = '"Atkinson Hyperlegible Mono", monospace';

/** Smallest side of what a gloved hand taps, px. */
export const TARGET = 48;

const light = {
  primary: { main: '#0d5546', dark: '#083b31', contrastText: '#ffffff' },
  secondary: { main: '#8a4a0c' },
  error: { main: '#a3180f' },
  background: { default: '#e3e9e6', paper: '#f8faf9' },
  text: { primary: '#0f1f1a', secondary: '#42534c' },
  thread: '#a8560f',
  comb: '#0f1f1a',
  due: { main: '#f3b02a', contrastText: '#1d1300' },
  hold: { main: '#8f1d0c', contrastText: '#ffffff', stripe: '#6f1507' },
  line: '#b8c5bf',
};

const dark = {
  primary: { main: '#6fd3ba', dark: '#4db39a', contrastText: '#04211a' },
  secondary: { main: '#e9a857' },
  error: { main: '#ff9c8f' },
  background: { default: '#0c1613', paper: '#15231f' },
  text: { primary: '#e9f1ed', secondary: '#a9bbb3' },
  thread: '#eda950',
  comb: '#e9f1ed',
  due: { main: '#f3b02a', contrastText: '#1d1300' },
  hold: { main: '#ffb3a3', contrastText: '#3a0700', stripe: '#f59884' },
  line: '#35463f',
};

export const theme = createTheme({
  cssVariables: true,
  colorSchemes: { light: { palette: light }, dark: { palette: dark } },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif',
    fontSize: 16,
    htmlFontSize: 16,
    body1: { fontSize: '1.0625rem', lineHeight: 1.45 },
    body2: { fontSize: '1rem', lineHeight: 1.4 },
    caption: { fontSize: '1rem', lineHeight: 1.35 },
    h1: { fontSize: '1.75rem', fontWeight: 750, lineHeight: 1.15 },
    h2: { fontSize: '1.25rem', fontWeight: 700, lineHeight: 1.2 },
    h3: { fontSize: '1.0625rem', fontWeight: 700, lineHeight: 1.3 },
    button: { textTransform: 'none', fontWeight: 650, fontSize: '1.0625rem' },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        ':focus-visible': { outline: '3px solid currentColor', outlineOffset: 2 },
      },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minHeight: TARGET, borderRadius: 4, paddingInline: 18 } },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          minHeight: TARGET,
          color: t.vars.palette.text.primary,
          borderColor: t.vars.palette.line,
          '&.Mui-selected': {
            backgroundColor: t.vars.palette.primary.main,
            color: t.vars.palette.primary.contrastText,
            '&:hover': { backgroundColor: t.vars.palette.primary.dark },
          },
        }),
      },
    },
    MuiTextField: { defaultProps: { variant: 'filled', fullWidth: true } },
    MuiFilledInput: {
      styleOverrides: {
        input: { paddingTop: 29, '&.MuiInputBase-inputSizeSmall': { paddingTop: 27 } },
        multiline: { paddingTop: 30, '& textarea': { paddingTop: 0 } },
        root: ({ theme: t }) => ({
          borderRadius: 4,
          backgroundColor: t.vars.palette.background.default,
          '&:before': { borderBottomColor: t.vars.palette.text.secondary },
        }),
      },
    },
    MuiInputLabel: {
      styleOverrides: {
        root: { fontSize: '1.0625rem' },
        // Even the label above what is typed is read at an arm's length: 16 px.
        filled: {
          transform: 'translate(12px, 18px)',
          '&.MuiInputLabel-sizeSmall': { transform: 'translate(12px, 15px)' },
          '&.MuiInputLabel-shrink, &.MuiInputLabel-shrink.MuiInputLabel-sizeSmall': {
            transform: 'translate(12px, 5px) scale(0.942)',
          },
        },
      },
    },
    MuiFormHelperText: { styleOverrides: { root: { fontSize: '1rem', marginLeft: 2 } } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiAutocomplete: { styleOverrides: { inputRoot: { '&.MuiFilledInput-root': { paddingTop: 22 } } } },
    MuiAlert: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          fontSize: '1.0625rem',
          color: t.vars.palette.text.primary,
          backgroundColor: t.vars.palette.background.default,
          borderLeft: `6px solid ${t.vars.palette.thread}`,
          '&.MuiAlert-colorError': { borderLeftColor: t.vars.palette.error.main },
          '& .MuiAlert-icon': { color: 'inherit' },
        }),
      },
    },
    MuiIconButton: { styleOverrides: { root: { minWidth: TARGET, minHeight: TARGET } } },
  },
});
