import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

describe('the tools of the bench', () => {
  it('name files of the page that are there', () => {
    const named = readdirSync('tools').flatMap((tool) =>
      [...readFileSync(`tools/${tool}`, 'utf8').matchAll(/'\/(src\/[^']+)'/g)].map((m) => m[1]),
    );
    expect(named.length).toBeGreaterThan(4);
    expect(named.filter((file) => !existsSync(file))).toEqual([]);
  });
});
