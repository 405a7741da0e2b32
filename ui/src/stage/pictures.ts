import { useView, type View } from '../model/state';
import type { StageScene } from './StageScene';

/** How the model is looked at, kept with a picture so that it can be taken again. */
export interface Look {
  camera: { position: number[]; target: number[] };
  colourBy: View['colourBy'];
  cut: View['cut'];
  sweep: number | null;
  apart: boolean;
  elements: boolean;
  hidden: string[];
  isolated: string[] | null;
  groupsOff: string[];
  selection: string[];
}

const WIDTH = 1600;
const HEIGHT = 1000;

let scene: StageScene | null = null;

/** The stage that is on the page; only one is. */
export function offerPictures(of: StageScene | null) {
  scene = of;
  return () => {
    if (scene === of) scene = null;
  };
}

export const canTakePictures = () => scene !== null;

/** The picture as the model is looked at now, and how that is. */
export async function takePicture(): Promise<{ png: Blob; look: Look }> {
  if (!scene) throw new Error('The model is not shown here.');
  const v = useView.getState();
  const look: Look = {
    camera: scene.controls.place3d,
    colourBy: v.colourBy,
    cut: v.cut,
    sweep: v.sweep,
    apart: v.apart,
    elements: v.elements,
    hidden: [...v.hidden],
    isolated: v.isolated && [...v.isolated],
    groupsOff: [...v.groupsOff],
    selection: v.selection,
  };
  return { png: await scene.picture(WIDTH, HEIGHT), look };
}

const frames = (n: number) =>
  new Promise<void>((done) => {
    const next = (left: number) => (left ? requestAnimationFrame(() => next(left - 1)) : done());
    next(n);
  });

/** Waits until the whole picture is drawn; a page in the background draws none. */
async function rest() {
  for (let i = 0; i < 200 && scene && !scene.resting; i++)
    await new Promise((go) => setTimeout(go, 25));
}

/** Takes a picture again as it was looked at then; afterwards all is as before. */
export async function takeAgain(look: Look): Promise<Blob> {
  if (!scene) throw new Error('The model is not shown here.');
  const v = useView.getState();
  const before: Partial<View> = {
    colourBy: v.colourBy,
    cut: v.cut,
    sweep: v.sweep,
    apart: v.apart,
    elements: v.elements,
    hidden: v.hidden,
    isolated: v.isolated,
    groupsOff: v.groupsOff,
    selection: v.selection,
  };
  const camera = scene.controls.place3d;
  useView.setState({
    colourBy: look.colourBy === 'estimate' && !v.tinted ? 'exposure' : look.colourBy,
    cut: look.cut,
    sweep: look.sweep,
    apart: look.apart,
    elements: look.elements,
    hidden: new Set(look.hidden),
    isolated: look.isolated && new Set(look.isolated),
    groupsOff: new Set(look.groupsOff),
    selection: look.selection,
  });
  try {
    await frames(3);
    scene.controls.goTo(look.camera);
    await frames(2);
    await rest();
    return await scene.picture(WIDTH, HEIGHT);
  } finally {
    useView.setState(before);
    await frames(2);
    scene.controls.goTo(camera);
  }
}
