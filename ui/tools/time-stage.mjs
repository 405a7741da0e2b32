// Times how the stage keeps up with the hand, in Chromium drawing in software, by the code that ships:
//   node time-stage.mjs ELEMENTS
// Prints one JSON object: times between frames while the view is turned, of changes, and until all is drawn, in milliseconds.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer as http } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createServer } from 'vite';

const n = Number(process.argv[2]);
const page =
  '<!doctype html><body style="margin:0"><script type="module" src="/tools/stage-page.js"></script>';
const profile = mkdtempSync(join(tmpdir(), 'yentra-stage-'));
let told;
const answer = new Promise((resolve, reject) => {
  told = resolve;
  setTimeout(() => reject(new Error('the page did not answer')), 180_000).unref();
});
const vite = await createServer({
  server: { middlewareMode: true, hmr: false, watch: null },
  logLevel: 'silent',
  appType: 'custom',
  optimizeDeps: { noDiscovery: true },
});
const server = http((request, response) => {
  if (request.url.startsWith('/stage')) {
    response.setHeader('Content-Type', 'text/html');
    response.end(page);
  } else if (request.url === '/answer') {
    let text = '';
    request.on('data', (chunk) => (text += chunk));
    request.on('end', () => {
      response.end();
      told(text);
    });
  } else vite.middlewares(request, response);
});
await new Promise((ready) => server.listen(0, '127.0.0.1', ready));
const chromium = spawn(
  'chromium',
  [
    '--headless=new',
    '--no-sandbox',
    '--disable-dev-shm-usage',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--window-size=1280,800',
    `--user-data-dir=${profile}`,
    `http://127.0.0.1:${server.address().port}/stage?${n}`,
  ],
  { stdio: 'ignore' },
);
try {
  console.log(await answer);
} finally {
  chromium.kill();
  await new Promise((gone) => chromium.on('exit', gone));
  rmSync(profile, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 });
  server.close();
  await vite.close();
}
