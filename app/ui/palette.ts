/** Every colour of Snavek. No colour is written anywhere else: the rest uses the variables made of these. */
export const light = {
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
export const dark: typeof light = {
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
