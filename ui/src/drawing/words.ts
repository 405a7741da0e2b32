import type { Tool } from './board';

/** The tools, with the key that takes each. */
export const TOOLS: [Tool, string, string, string][] = [
  ['select', 'Select', 'S', 'Select, move and stretch what is drawn'],
  ['outline', 'Outline', 'O', 'Draw the outer edge of a floor; within another one, a courtyard'],
  ['line', 'Wall', 'L', 'Draw walls between rooms'],
  ['rectangle', 'Rectangle', 'R', 'Draw an outline or the walls of a room by two corners'],
  ['opening', 'Window or door', 'W', 'Fit a window or a door in a wall'],
  ['name', 'Name', 'T', 'Give a room its name and use'],
  ['block', 'Block', 'K', 'Draw a neighbouring building, which casts shade'],
];

/** What to do next with a tool, after so many points. */
export function hint(tool: Tool, count: number, drawn: boolean): string {
  switch (tool) {
    case 'select':
      return 'Click what is drawn; drag it, a side or a corner. Double-click a room to name it, a side to split it.';
    case 'outline':
      return count < 3
        ? 'Click the corners of the floor, or type lengths. Shift keeps it square.'
        : 'Click the first corner, or press Enter, to close it.';
    case 'line':
      return count === 0
        ? 'Click where the wall begins.'
        : 'Click where it goes; it ends at another wall, or with Enter.';
    case 'rectangle':
      return count === 0
        ? drawn
          ? 'Click a corner: a room within an outline, else another outline.'
          : 'Click a corner of the outline.'
        : 'Click the corner across, or type width and depth.';
    case 'opening':
      return 'Click its middle on a wall.';
    case 'name':
      return 'Click a room.';
    case 'block':
      return count < 3 ? 'Click the corners of the neighbour.' : 'Press Enter to close it.';
    case 'scale':
      return count < 2
        ? 'Click two points whose distance is known.'
        : 'Type how far apart they are, then Enter.';
    case 'level':
      return 'Click two points of a line that is to lie level or upright.';
    case 'align':
      return count % 2 === 0
        ? `Click ${count ? 'another' : 'a'} point of the picture …`
        : '… and where it belongs in the drawing.';
    case 'shift':
      return count ? 'Click where it goes.' : 'Click a point of the picture.';
  }
}
