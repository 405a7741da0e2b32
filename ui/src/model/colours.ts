/** Every colour of what is drawn, in one place; those of the page itself are tokens of styles.css. */

/** By what lies on the other side of a surface. */
export const EXPOSURE = {
  outdoor: '#D07A42',
  ground: '#6A4C93',
  space: '#8FB4C8',
  adiabatic: '#B59F5B',
  none: '#FFFFFF',
  shade: '#4A4F52',
  unresolved: '#C2185B',
};

export const OPENING_COLOURS = { glazed: '#F2D16B', door: '#7A4B2A' };

export const SEVERITY_COLOUR: Record<string, string> = {
  blocker: '#9B1C31',
  error: '#B23C0B',
  warning: '#8A6508',
  note: '#4B6771',
};

/** What has become of an object since the revision before. */
export const SINCE = { added: '#2F7D4F', moved: '#3567A8', changed: '#B7860B', same: '#C9CDD0' };

/** Groups of any kind, the most frequent first. */
export const GROUPS = [
  '#3567A8',
  '#C4622D',
  '#2F7D4F',
  '#8C5BA6',
  '#B7860B',
  '#2A8C8C',
  '#B0486B',
  '#6B7F2A',
  '#7A4B2A',
  '#5B6FC2',
  '#A89A3A',
  '#4E6470',
];
/** All groups that have no colour of their own. */
export const OTHERS = '#A9B0B4';
/** What belongs to no group, or is out of scope. */
export const NOTHING = '#FFFFFF';

/** Bands of U-values, from those that insulate best. */
export const WARMTH = ['#1F5F8B', '#3E8DAE', '#83BBA8', '#D9CF8A', '#E0A458', '#CC6B49', '#9B3A4A'];

/** Families of building elements. */
export const FAMILY = {
  spaces: '#12645C',
  walls: '#C9B79C',
  floors: '#9AA39B',
  windows: '#F2D16B',
  doors: '#7A4B2A',
  shading: '#40525B',
  structure: '#A893B3',
  furniture: '#D58F74',
  services: '#6F9FB0',
  other: '#B8B0A0',
};

/** Layers by how well they conduct. */
export const LAYER = {
  insulation: '#E9D9A6',
  timber: '#CDB38B',
  masonry: '#B9A79A',
  stone: '#9AA3A8',
  metal: '#5F7480',
};

/** What stands behind the elements in scope. */
export const BACKDROP = '#5B6B73';

/** The stage itself, by theme. */
export interface StageColours {
  paper: string;
  ink: string;
  accent: string;
  /** What closes a space that is cut open. */
  cut: string;
  /** What a shadow darkens with, and how much. */
  dark: string;
  shadow: number;
}
export const STAGE: Record<'paper' | 'slate' | 'print', StageColours> = {
  paper: {
    paper: '#F6F4EE',
    ink: '#1D2B2F',
    accent: '#12645C',
    cut: '#FFFFFF',
    dark: '#1D2B2F',
    shadow: 0.13,
  },
  print: {
    paper: '#FFFFFF',
    ink: '#000000',
    accent: '#12645C',
    cut: '#FFFFFF',
    dark: '#000000',
    shadow: 0.1,
  },
  slate: {
    paper: '#1F2A2E',
    ink: '#C4D2D4',
    accent: '#5CC2B2',
    cut: '#3A4A50',
    dark: '#0B1113',
    shadow: 0.45,
  },
};
/** What is pointed at in a list. */
export const LIT = '#0E7C66';

/** Lines and bars of charts, by what they are. */
export const SERIES = {
  heating: '#B4532A',
  cooling: '#2F6F8F',
  light: '#D2A528',
  equipment: '#7B6C9C',
  other: '#7C8B7A',
  ground: '#6A4C93',
  air: '#8FB4C8',
  sun: '#E0A458',
  people: '#A97C8C',
  opaque: '#8A7F6B',
  bridges: '#5B6FC2',
  leaks: '#6FA39A',
  freshAir: '#2A8C8C',
};

/** From cold to warm. */
export const COLD_TO_WARM = ['#3E8DAE', '#DDE6DC', '#E0A458', '#B4532A'];

/** What a saved picture stands on. */
export const SHEET = '#FFFFFF';
