import { theme as algorithms, type ThemeConfig } from 'antd';

/** Every colour of Snavek. No colour is written anywhere else: the rest uses the variables made of these. */
const light = {
  paper: '#f3f1ea',
  card: '#fffdf8',
  ink: '#17262b',
  muted: '#556366',
  line: '#d8d4c8',
  head: '#102a30',
  headCard: '#1d3d44',
  headInk: '#f3f1ea',
  headMuted: '#b7c7c8',
  petrol: '#0e5a63',
  petrolSoft: '#d5e6e6',
  saffron: '#d98a00',
  saffronSoft: '#fdefcf',
  saffronInk: '#7a4b00',
  saffronLight: '#ffc45a',
  brick: '#a9321f',
  brickSoft: '#f8e0da',
  moss: '#3f7240',
  mossSoft: '#dfeadb',
  mossLight: '#7ab8a4',
  metal: '#8d999b',
  metalSoft: '#cfd5d3',
  mat: '#2b4a50',
  matLine: '#3d6169',
  matInk: '#e8efe9',
  board: '#cfdad2',
  cell: '#d8dcd9',
  part: '#e2e6e2',
  glass: '#e9e6db',
  chartPaper: '#fffdf8',
};
/** For work at the microscope: the same meanings on dark ground. Charts keep their paper. */
const dark: typeof light = {
  paper: '#0d1719',
  card: '#142226',
  ink: '#ece8dd',
  muted: '#a3b3b4',
  line: '#2c3f44',
  head: '#091214',
  headCard: '#182b30',
  headInk: '#ece8dd',
  headMuted: '#9fb3b5',
  petrol: '#7cc4cc',
  petrolSoft: '#1d3d44',
  saffron: '#e9a52c',
  saffronSoft: '#3d3013',
  saffronInk: '#ffcf7a',
  saffronLight: '#ffc45a',
  brick: '#ff9d8a',
  brickSoft: '#42201a',
  moss: '#9bcf9e',
  mossSoft: '#1e3523',
  mossLight: '#7ab8a4',
  metal: '#71868a',
  metalSoft: '#3a4d51',
  mat: '#1c3338',
  matLine: '#37545b',
  matInk: '#e8efe9',
  board: '#223832',
  cell: '#2b3a3d',
  part: '#263b3d',
  glass: '#2f3d3f',
  chartPaper: '#fffdf8',
};
export const tokens = light;
const variables = (set: typeof light) =>
  Object.entries(set)
    .map(([k, v]) => `--${k.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${v}`)
    .join(';');
export const cssVariables = `:root{${variables(light)}}:root[data-theme=dark]{color-scheme:dark;${variables(dark)}}`;
/** Both sets, for the test of their contrast. */
export const palettes = { light, dark };

export const fontFamily = "'Atkinson Hyperlegible Next', 'IBM Plex Sans', system-ui, sans-serif";
const themeOf = (set: typeof light, key: string, algorithm: ThemeConfig['algorithm']): ThemeConfig => ({
  algorithm: algorithm!,
  zeroRuntime: true, // component styles come from the static app/antd.css, only variables from JS
  hashed: false, // one antd version on the page: no hash class, smaller CSS
  cssVar: { key }, // a fixed key for each theme: the same CSS on the server, in the browser and in the extraction
  token: {
    fontFamily,
    colorPrimary: set.petrol,
    colorError: set.brick,
    colorSuccess: set.moss,
    colorWarning: set.saffron,
    colorText: set.ink,
    colorInfo: set.petrol,
    colorErrorBg: set.brickSoft,
    colorErrorBorder: set.brick,
    colorWarningBg: set.saffronSoft,
    colorWarningBorder: set.saffron,
    colorSuccessBg: set.mossSoft,
    colorSuccessBorder: set.moss,
    colorTextDescription: set.muted,
    colorTextPlaceholder: set.muted,
    colorBgLayout: set.paper,
    colorBgContainer: set.card,
    colorBgElevated: set.card,
    colorTextLightSolid: set.card,
    colorLink: set.petrol,
    colorBorderSecondary: set.line,
    controlItemBgActive: set.petrolSoft,
    lineWidthFocus: 3,
    colorPrimaryBorder: set.saffron,
    colorBorder: set.metal,
    borderRadius: 10,
    controlHeight: 44,
    fontSize: 16,
    boxShadow: 'none',
    boxShadowSecondary: 'none',
    opacityLoading: 1,
    motion: false,
  },
  components: {
    Button: {
      primaryShadow: 'none',
      defaultShadow: 'none',
      dangerShadow: 'none',
      fontWeight: 700,
      paddingInline: 14,
    },
    Select: { optionHeight: 44, optionPadding: '9px 12px', optionSelectedBg: set.petrolSoft },
    Table: { headerBg: set.card, headerColor: set.muted, cellPaddingBlock: 9, cellPaddingInline: 8 },
    Alert: { defaultPadding: '10px 14px' },
    Tag: { defaultBg: set.petrolSoft, defaultColor: set.ink, fontSizeSM: 14 },
    Modal: { titleFontSize: 18 },
    Form: { itemMarginBottom: 0, verticalLabelPadding: '0 0 4px' },
    Input: { activeShadow: `0 0 0 3px ${set.saffronSoft}` },
    DatePicker: { activeShadow: `0 0 0 3px ${set.saffronSoft}` },
    Segmented: { itemSelectedBg: set.petrol, itemSelectedColor: set.card, trackBg: set.paper },
  },
});
export const themes = {
  light: themeOf(light, 'snavek', algorithms.defaultAlgorithm),
  dark: themeOf(dark, 'snavek-dark', algorithms.darkAlgorithm),
};
export const theme = themes.light;
