// The page that time-stage.mjs opens: a block of elements on the stage, turned by hand, hidden, shown, picked.
import { indexScope, scopeDrawing } from '/src/scope/scopeModel.ts';
import { StageScene } from '/src/stage/StageScene.ts';
import { block } from './block.mjs';

const frame = () => new Promise((r) => requestAnimationFrame(r));
const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];

async function run() {
  const { scope, mesh } = block(Number(location.search.slice(1)));
  const drawing = scopeDrawing(indexScope(scope), mesh, [], []);
  const canvas = document.createElement('canvas');
  canvas.style.cssText = 'position:absolute;inset:0;width:1280px;height:800px';
  document.body.append(canvas);
  const stage = new StageScene(canvas);
  stage.resize(1280, 800);
  const rest = async () => {
    do await frame();
    while (!stage.resting);
  };
  const look = {
    visible: () => true,
    ghosted: null,
    selection: [],
    evidence: null,
    preview: null,
    cut: null,
    sweep: null,
    apart: false,
  };
  stage.setDrawing(drawing, 0, []);
  stage.setLook(look);
  await rest();

  const pointer = (type, x, y) =>
    canvas.dispatchEvent(
      new PointerEvent(type, { clientX: x, clientY: y, button: 0, buttons: 1, pointerId: 1 }),
    );
  const gaps = [];
  pointer('pointerdown', 640, 400);
  let last = await frame();
  const first = [last, stage.pictures];
  for (let i = 1; i <= 90; i++) {
    pointer('pointermove', 640 + 5 * i, 400 + i);
    const now = await frame();
    gaps.push(now - last);
    last = now;
  }
  const drawn = (last - first[0]) / (stage.pictures - first[1]);
  pointer('pointerup', 640 + 450, 490);
  let start = performance.now();
  await rest();
  const turned = performance.now() - start;

  const changes = [];
  const scripts = [];
  const wholes = [];
  let longest = 0;
  for (let i = 0; i < 5; i++) {
    start = performance.now();
    stage.setLook({ ...look, visible: i % 2 ? () => true : (it) => it.firstVertex % 16 > 0 });
    scripts.push(performance.now() - start);
    await frame();
    await frame();
    changes.push(performance.now() - start);
    let before = performance.now();
    do {
      await frame();
      longest = Math.max(longest, performance.now() - before);
      before = performance.now();
    } while (!stage.resting);
    wholes.push(performance.now() - start);
  }
  const picks = [];
  const shown = { ...look, visible: () => true };
  stage.setLook(shown);
  await rest();
  for (let i = 0; i < 5; i++) {
    start = performance.now();
    stage.setLook({ ...shown, selection: [drawing.items[(i * 977) % drawing.items.length].key] });
    await frame();
    await frame();
    picks.push(performance.now() - start);
    await rest();
  }
  const steady = gaps.slice(30);
  return {
    'stage: between pictures while turning, mean': drawn,
    'stage: between frames of the page while turning, median': median(steady),
    'stage: between frames of the page while turning, longest': Math.max(...steady),
    'stage: hide half or show all, until it is seen': median(changes),
    'stage: hide half or show all, script alone': median(scripts),
    'stage: hide half or show all, until the last detail is drawn': median(wholes),
    'stage: longest hold-up while details are drawn': longest,
    'stage: until the last detail is drawn after turning': turned,
    'stage: mark what is picked': median(picks),
  };
}

const answer = await run().catch((e) => ({ error: String(e) }));
await fetch('/answer', { method: 'POST', body: JSON.stringify(answer) });
