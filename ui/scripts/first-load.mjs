// The scripts that the first page loads weigh no more than this, compressed; what is opened later is loaded later.
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const MOST = 250_000;
const root = new URL('../target/classes/static/', import.meta.url);
const page = readFileSync(new URL('index.html', root), 'utf8');
const scripts = [...page.matchAll(/(?:src|href)="\/([^"]+\.js)"/g)].map((m) => m[1]);
const bytes = scripts.reduce((sum, s) => sum + gzipSync(readFileSync(new URL(s, root))).length, 0);
if (scripts.length === 0) throw new Error('index.html loads no script');
if (bytes > MOST)
  throw new Error(`the first page loads ${bytes} bytes of script, more than ${MOST}`);
console.log(`The first page loads ${scripts.length} scripts of ${bytes} bytes, compressed.`);
