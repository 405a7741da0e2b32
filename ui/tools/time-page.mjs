// Times the page with a large delivery, as a person feels it, in Chromium drawing in software:
//   node time-page.mjs URL FILE
// URL is that of a running server, FILE a gbXML file. Prints one JSON object: milliseconds, but for pictures a second.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const [url, file] = process.argv.slice(2);
const headers = { 'X-Yentra-Person': 'Bench', 'Content-Type': 'application/json' };
const ask = async (path, method = 'GET', body = undefined, more = {}) =>
  (await fetch(url + path, { method, headers: { ...headers, ...more }, body })).json();
const pause = (ms) => new Promise((go) => setTimeout(go, ms));

async function deliver() {
  const project = (await ask('/api/projects', 'POST', JSON.stringify({ name: 'Large' }))).id;
  const from = Date.now();
  const { id } = await ask(
    `/api/projects/${project}/deliveries?name=large.xml`,
    'POST',
    readFileSync(file),
    { 'Content-Type': 'application/octet-stream' },
  );
  let job;
  do {
    await pause(50);
    job = await ask('/api/jobs/' + id);
  } while (job.state === 'waiting' || job.state === 'reading');
  if (job.state !== 'done') throw new Error(job.message);
  return { project, delivery: job.deliveryId, read: Date.now() - from };
}

/** A browser that is spoken to over a pipe. */
async function browser() {
  const profile = mkdtempSync(join(tmpdir(), 'yentra-page-'));
  const process_ = spawn(
    'chromium',
    [
      '--headless=new',
      '--no-sandbox',
      '--disable-dev-shm-usage',
      '--remote-debugging-pipe',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      '--window-size=1280,800',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
  );
  const waiting = new Map();
  let text = '';
  let last = 0;
  process_.stdio[4].setEncoding('utf8').on('data', (chunk) => {
    const parts = (text + chunk).split('\0');
    text = parts.pop();
    for (const m of parts.map((p) => JSON.parse(p))) waiting.get(m.id)?.(m.result);
  });
  const send = (method, params, sessionId) =>
    new Promise((done) => {
      waiting.set(++last, done);
      process_.stdio[3].write(JSON.stringify({ id: last, method, params, sessionId }) + '\0');
    });
  const { targetInfos } = await send('Target.getTargets', {});
  const { targetId } = targetInfos.find((t) => t.type === 'page');
  const { sessionId } = await send('Target.attachToTarget', { targetId, flatten: true });
  const call = (method, params = {}) => send(method, params, sessionId);
  await call('Page.enable');
  await call('Page.addScriptToEvaluateOnNewDocument', {
    source: `localStorage.setItem('yentra.person', 'Bench'); window.longest = 0;
      new PerformanceObserver((l) => l.getEntries().forEach((e) => { longest = Math.max(longest, e.duration) }))
        .observe({ entryTypes: ['longtask'] });`,
  });
  const run = async (expression) =>
    (await call('Runtime.evaluate', { expression, awaitPromise: true, returnByValue: true })).result
      .value;
  return {
    call,
    run,
    /** Waits in the page until something holds. */
    until: (what) =>
      run(`new Promise((r) => { const f = () => (${what}) ? r(1) : setTimeout(f, 4); f(); })`),
    mouse: (type, x, y, buttons = 0) =>
      call('Input.dispatchMouseEvent', { type, x, y, buttons, button: 'left', clickCount: 1 }),
    key: async (key) => {
      for (const type of ['keyDown', 'keyUp'])
        await call('Input.dispatchKeyEvent', { type, key, text: type === 'keyDown' ? key : '' });
    },
    close: async () => {
      process_.kill();
      await new Promise((gone) => process_.on('exit', gone));
      rmSync(profile, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 });
    },
  };
}

const times = {};
const { project, delivery, read } = await deliver();
times['file to its end of reading and checking'] = read;
const b = await browser();
try {
  const drawn = 'window.yentraStage?.().shown.length';
  const frame = () =>
    b.run('new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)))');
  const longest = async (what) => {
    times[`${what}: longest task`] = await b.run(
      '(() => { const l = longest; longest = 0; return l; })()',
    );
  };
  async function opened(what) {
    const from = Date.now();
    await b.call('Page.navigate', { url: `${url}/p/${project}/envelope?delivery=${delivery}` });
    while (!(await b.run(drawn))) await pause(20);
    times[what] = Date.now() - from;
    await b.until('window.yentraStage().resting');
    await longest(what);
  }
  async function timed(what, act, until) {
    await b.run('longest = 0');
    const from = Date.now();
    await act();
    if (until) await b.until(until);
    await frame();
    times[what] = Date.now() - from;
    await longest(what);
    await pause(1500);
  }
  await opened('first picture after reading');
  await opened('opened again');

  const [left, top, width, height] = await b.run(
    `(() => { const r = document.querySelector('[data-testid=stage] canvas').getBoundingClientRect(); return [r.left, r.top, r.width, r.height]; })()`,
  );
  const [x, y] = [left + width / 2, top + height / 2];
  const pictures = () => b.run('window.yentraStage().pictures');
  await b.mouse('mousePressed', x, y, 1);
  const before = await pictures();
  const from = Date.now();
  for (let i = 0; Date.now() - from < 4000; i++) {
    await b.mouse('mouseMoved', x + (i % 120) * 2, y + (i % 40), 1);
    await pause(8);
  }
  times['turning: pictures a second'] =
    ((await pictures()) - before) / ((Date.now() - from) / 1000);
  await b.mouse('mouseReleased', x, y);
  await longest('turning');
  await b.until('window.yentraStage().resting');

  // a surface, not a window of one: what the middle of an item shows depends on where turning has ended
  const choose = async () => {
    for (let from = 0; ; from += 97) {
      const at = await b.run(`(() => { const s = window.yentraStage();
        for (let i = ${from}; i < s.shown.length; i += 97) { const p = s.screen(s.shown[i]);
          if (p.x > 100 && p.y > 60 && p.x < ${width} - 100 && p.y < ${height} - 60) return [p.x, p.y, i]; } })()`);
      if (!at) throw new Error('no surface is in sight');
      from = at[2];
      await b.mouse('mousePressed', left + at[0], top + at[1], 1);
      await b.mouse('mouseReleased', left + at[0], top + at[1]);
      for (let i = 0; i < 100; i++) {
        if (await b.run("!!document.querySelector('[data-testid=behind]')")) return;
        await pause(10);
      }
    }
  };
  const colour = (by) =>
    b.run(`(() => { const s = document.querySelector('[data-testid=colour-by]');
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(s, '${by}');
      s.dispatchEvent(new Event('change', { bubbles: true })); })()`);
  const press = (what) => b.run(`document.querySelector('[data-testid=${what}]').click()`);
  await timed('choose', choose);
  await timed('hide', () => b.key('h'));
  await timed('show all', () => b.key('a'));
  await timed('colour', () => colour('use'));
  await colour('exposure');
  await choose();
  await timed(
    'preview',
    () =>
      b.run(
        "[...document.querySelectorAll('aside button')].find((x) => x.textContent.includes('Turn it round')).click()",
      ),
    "document.querySelector('[data-testid=pending-summary]')",
  );
  await timed('edit', () => press('apply'), "!document.querySelector('[data-testid=pending]')");
  await timed(
    'undo',
    () => press('undo'),
    "document.querySelector('[data-testid=redo]:not(:disabled)')",
  );
  console.log(JSON.stringify(times));
} finally {
  await b.close();
}
