/** Colours by day and by night. Everything on a screen takes its colour from here, by name. */
export const palette = {
  paper: { day: '#F3EEE1', night: '#121715' },
  card: { day: '#FFFCF4', night: '#1B2220' },
  inset: { day: '#EAE3D2', night: '#0D1110' },
  ink: { day: '#1D2420', night: '#EFE9DB' },
  inkSoft: { day: '#55605A', night: '#A9B2AB' },
  line: { day: '#D5CBB5', night: '#33403A' },
  edge: { day: '#857C68', night: '#6B7A72' },
  enamel: { day: '#1C5140', night: '#74BFA2' },
  onEnamel: { day: '#FFFCF4', night: '#10201A' },
  oil: { day: '#B96A00', night: '#F1A93B' },
  oilInk: { day: '#8F5200', night: '#F1A93B' },
  oilWash: { day: '#F6E3C0', night: '#3A2C12' },
  alarm: { day: '#AE3326', night: '#FF8A75' },
  good: { day: '#2F6F3E', night: '#86C98F' },
  note: { day: '#2A5B8C', night: '#86B8E8' },
  stageRead: { day: '#7A6A4F', night: '#A08F70' },
  stageDecode: { day: '#B4532A', night: '#DB7A4F' },
  stageScale: { day: '#8F6512', night: '#E0B14E' },
  stageEffects: { day: '#6C4A86', night: '#A483C0' },
  stageLayers: { day: '#2F7480', night: '#55A3B0' },
  stageShow: { day: '#557036', night: '#8FAE66' },
  onStage: { day: '#FFFFFF', night: '#10160F' },
} as const satisfies Record<string, { readonly day: string; readonly night: string }>;

export type ColourName = keyof typeof palette;
export type ThemeName = 'day' | 'night';

const names = Object.keys(palette) as readonly ColourName[];
const variableOf = (name: ColourName): string => `--${name}`;

/** The custom properties of one theme, for a style rule. */
export const themeVariables = (theme: ThemeName): string =>
  names.map((name) => `${variableOf(name)}: ${palette[name][theme]};`).join('\n');

/** Colours as they are used in styles: `colour.ink` is `var(--ink)` and follows the theme. */
export const colour = Object.fromEntries(names.map((name) => [name, `var(${variableOf(name)})`])) as Readonly<
  Record<ColourName, string>
>;

/** Typefaces, all shipped with the application. */
export const font = {
  heading: "'Bricolage Grotesque Variable', sans-serif",
  text: "'Atkinson Hyperlegible Next Variable', sans-serif",
  mono: "'Atkinson Hyperlegible Mono Variable', monospace",
} as const;

/** Text and marks on their grounds, with the least contrast each needs; held by a test. */
export const contrastPairs: readonly { readonly on: ColourName; readonly of: ColourName; readonly least: number }[] = [
  ...(['paper', 'card', 'inset'] as const).flatMap((on) => [
    { on, of: 'ink' as const, least: 4.5 },
    { on, of: 'inkSoft' as const, least: 4.5 },
  ]),
  ...(['paper', 'card'] as const).flatMap((on) => [
    { on, of: 'enamel' as const, least: 4.5 },
    { on, of: 'oilInk' as const, least: 4.5 },
    { on, of: 'alarm' as const, least: 4.5 },
    { on, of: 'good' as const, least: 4.5 },
    { on, of: 'note' as const, least: 4.5 },
    { on, of: 'oil' as const, least: 3 },
    { on, of: 'edge' as const, least: 3 },
  ]),
  { on: 'oilWash', of: 'ink', least: 4.5 },
  { on: 'oilWash', of: 'inkSoft', least: 4.5 },
  { on: 'oilWash', of: 'oilInk', least: 4.5 },
  { on: 'enamel', of: 'onEnamel', least: 4.5 },
  { on: 'alarm', of: 'card', least: 4.5 },
  ...(['stageRead', 'stageDecode', 'stageScale', 'stageEffects', 'stageLayers', 'stageShow'] as const).flatMap((on) => [
    { on, of: 'onStage' as const, least: 4.5 },
    { on, of: 'card' as const, least: 3 },
  ]),
];
