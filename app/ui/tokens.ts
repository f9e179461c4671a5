import type { ThemeConfig } from 'antd';

/** Every colour of Snavek. No colour is written anywhere else: the rest uses the variables made of these. */
const light = {
  paper: '#f3f1ea', card: '#fffdf8', ink: '#17262b', muted: '#556366', line: '#d8d4c8', head: '#102a30', headCard: '#1d3d44', headInk: '#f3f1ea', headMuted: '#b7c7c8',
  petrol: '#0e5a63', petrolSoft: '#d5e6e6', saffron: '#d98a00', saffronSoft: '#fdefcf', saffronInk: '#7a4b00', saffronLight: '#ffc45a',
  brick: '#a9321f', brickSoft: '#f8e0da', moss: '#3f7240', mossSoft: '#dfeadb', mossLight: '#7ab8a4', metal: '#8d999b', metalSoft: '#cfd5d3', mat: '#2b4a50', matLine: '#3d6169', matInk: '#e8efe9',
  board: '#cfdad2', cell: '#d8dcd9', part: '#e2e6e2', glass: '#e9e6db',
};
export const tokens = light;
export const cssVariables = `:root{${Object.entries(light).map(([k, v]) => `--${k.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${v}`).join(';')}}`;

export const fontFamily = "'Atkinson Hyperlegible Next', 'IBM Plex Sans', system-ui, sans-serif";
export const theme: ThemeConfig = {
  zeroRuntime: true, // component styles come from the static app/antd.css, only variables from JS
  hashed: false, // one antd version on the page: no hash class, smaller CSS
  cssVar: { key: 'snavek' }, // a fixed key: the same CSS on the server, in the browser and in the extraction
  token: {
    fontFamily, colorPrimary: light.petrol, colorError: light.brick, colorSuccess: light.moss, colorWarning: light.saffron, colorText: light.ink, colorTextDescription: light.muted, colorTextPlaceholder: light.muted,
    colorBgLayout: light.paper, colorBgContainer: light.card, colorBorder: light.metal, borderRadius: 10, controlHeight: 44, fontSize: 16, boxShadow: 'none', boxShadowSecondary: 'none', motion: false,
  },
};
