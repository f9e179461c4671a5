import { theme as algorithms, type ThemeConfig } from 'antd';
import { dark, fontFamily, light } from './palette';

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
