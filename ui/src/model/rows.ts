import type { Model, Opening, Source, Space, Surface } from './api';
import { readShapes, type Shape } from './shapes';

type Row = unknown[];
type Members = Record<'space' | 'surface' | 'opening' | 'source', string[]>;

interface Line {
  spaces?: Row[];
  surfaces?: Row[];
  orphans?: Row[];
  findings?: Model['findings'];
}

/** For how long rows are read before the page may do something else, in milliseconds. */
const TURN = 25;

/** Makes objects of rows: each member by the place that the first line gives it. */
function maker(members: Members, shapes: Shape[]) {
  let next = 0;
  const objects = (kind: keyof Members) => {
    const names = members[kind];
    return (row: Row): Record<string, unknown> => {
      const out: Record<string, unknown> = {};
      for (let i = 0; i < names.length; i++) if (row[i] !== null) out[names[i]] = row[i];
      return out;
    };
  };
  const [ofSpace, ofSurface, ofOpening, ofSource] = (
    ['space', 'surface', 'opening', 'source'] as const
  ).map(objects);
  const source = (row: unknown) => ofSource(row as Row) as unknown as Source;
  const sources = (o: Record<string, unknown>) => {
    o.source = source(o.source);
    if (o.element) o.element = source(o.element);
    return o;
  };
  const opening = (row: Row): Opening => {
    const o = sources(ofOpening(row));
    o.shape = shapes[next++];
    return o as unknown as Opening;
  };
  return {
    space: (row: Row) => sources(ofSpace(row)) as unknown as Space,
    surface: (row: Row): Surface => {
      const s = sources(ofSurface(row));
      // shapes come in the order of the model: a surface, then its openings
      s.shape = shapes[next++];
      s.openings = (s.openings as Row[]).map(opening);
      return s as unknown as Surface;
    },
    opening,
    finished: () => next === shapes.length,
  };
}

/** Lets the page breathe where it has worked for long enough. */
function breather() {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < TURN) return;
    await new Promise((go) => setTimeout(go));
    since = performance.now();
  };
}

/**
 * A whole model out of its lines and the block of its shapes, or null where these belong to different states.
 *
 * @param tag of the state that the shapes are of
 */
export async function readModel(
  lines: AsyncIterable<string>,
  block: ArrayBuffer,
  tag: string | null,
): Promise<Model | null> {
  const breathe = breather();
  let model: Model | null = null;
  let make: ReturnType<typeof maker> | null = null;
  for await (const line of lines) {
    if (!model || !make) {
      const head = JSON.parse(line) as { tag: string; members: Members; model: Model };
      if (tag !== head.tag) return null;
      make = maker(head.members, readShapes(block));
      model = head.model;
      continue;
    }
    const l = JSON.parse(line) as Line;
    for (const r of l.spaces ?? []) model.spaces.push(make.space(r));
    for (const r of l.surfaces ?? []) model.surfaces.push(make.surface(r));
    for (const r of l.orphans ?? []) model.orphans.push(make.opening(r));
    if (l.findings) model.findings.push(...l.findings);
    await breathe();
  }
  if (!model || !make?.finished()) throw new Error('The model came incomplete. Open it again.');
  return model;
}

/** The lines of a body as they come. */
export async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as never)
    .getReader() as ReadableStreamDefaultReader<string>;
  let rest: string[] = [];
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      const parts = value.split('\n');
      if (parts.length === 1) {
        rest.push(value);
        continue;
      }
      yield rest.join('') + parts[0];
      for (let i = 1; i < parts.length - 1; i++) yield parts[i];
      rest = [parts[parts.length - 1]];
    }
    const last = rest.join('');
    if (last) yield last;
  } finally {
    // whoever has heard enough need not be sent the rest
    await reader.cancel();
  }
}
