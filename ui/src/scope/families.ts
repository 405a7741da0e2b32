import type { Pattern } from '../stage/drawing';
import { FAMILY } from '../model/colours';

/** Classes that are drawn and counted together. */
export interface Family {
  key: string;
  label: string;
  colour: string;
  opacity: number;
  classes: RegExp;
  pattern?: Pattern;
  /** Of faces in one plane, that of the higher layer is seen. */
  layer?: number;
}

export const FAMILIES: Family[] = [
  {
    key: 'spaces',
    label: 'Spaces',
    colour: FAMILY.spaces,
    opacity: 0.22,
    layer: 0,
    classes: /^IfcSpace$|^Space\b/,
  },
  {
    key: 'walls',
    label: 'Walls',
    colour: FAMILY.walls,
    opacity: 1,
    classes: /^Ifc(Wall|CurtainWall)|^Surface \w*Wall/,
  },
  {
    key: 'floors',
    label: 'Floors and roofs',
    colour: FAMILY.floors,
    opacity: 1,
    classes: /^Ifc(Slab|Roof|Covering)|^Surface \w*(Floor|Slab|Roof|Ceiling)/,
  },
  {
    key: 'windows',
    label: 'Windows',
    colour: FAMILY.windows,
    opacity: 1,
    layer: 2,
    classes: /^IfcWindow|^Opening (SlidingDoor|\w*(Window|Skylight))/,
  },
  {
    key: 'doors',
    label: 'Doors',
    colour: FAMILY.doors,
    opacity: 1,
    layer: 2,
    classes: /^IfcDoor|^Opening \w*Door/,
  },
  {
    key: 'shading',
    label: 'Shading',
    colour: FAMILY.shading,
    opacity: 0.6,
    pattern: 'counter',
    classes: /^IfcShading|^Surface Shade/,
  },
  {
    key: 'structure',
    label: 'Structure and stairs',
    colour: FAMILY.structure,
    opacity: 1,
    pattern: 'slant',
    classes:
      /^Ifc(Column|Beam|Member|Plate|Footing|Pile|Stair|Ramp|Railing|BuildingElementPart|Tendon|Reinforc)/,
  },
  {
    key: 'furniture',
    label: 'Furniture and fittings',
    colour: FAMILY.furniture,
    opacity: 1,
    classes: /^Ifc(Furni|SystemFurniture|Sanitary|Waste)/,
  },
  {
    key: 'services',
    label: 'Services',
    colour: FAMILY.services,
    opacity: 1,
    classes:
      /(Segment|Fitting|Terminal|Controller|Fixture|Boiler|Pump|Fan|Tank|Valve|Sensor|Outlet|Damper|Chiller|Equipment|Appliance|Actuator|Alarm|Filter|Heater|Coil|Tower|Motor|Device|Flow\w+|Distribution\w+|Meter|Board)$/,
  },
  { key: 'other', label: 'Other', colour: FAMILY.other, opacity: 1, classes: /./ },
];

const known = new Map<string, Family>();

/** The family of a class; surfaces and openings of gbXML are told apart by their type. */
export function familyOf(entity: string, predefined = ''): Family {
  const of = entity.startsWith('Ifc') ? entity : `${entity} ${predefined}`.trim();
  let f = known.get(of);
  if (!f) known.set(of, (f = FAMILIES.find((x) => x.classes.test(of))!));
  return f;
}

/** "Curtain wall" of IfcCurtainWall. */
export function plain(entity: string): string {
  const words = entity
    .replace(/^Ifc/, '')
    .replace(/(StandardCase|ElementedCase)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
