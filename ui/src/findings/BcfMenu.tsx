import { useRef } from 'react';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Finding } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';

/** Findings as BCF topics for other programs, and their answers. */
export function BcfMenu({
  index,
  edits,
  findings,
}: {
  index: ModelIndex;
  edits: Edits;
  findings: Finding[];
}) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const file = useRef<HTMLInputElement>(null);
  const id = index.model.delivery.id;
  const say = (text: string, bad = false) => set({ message: { text, bad } });

  async function write(version: string) {
    try {
      const { blob, name } = await api.bcf(
        id,
        version,
        findings.map((f) => f.id),
      );
      const a = document.createElement('a');
      a.href = URL.createObjectURL(blob);
      a.download = name;
      a.click();
      URL.revokeObjectURL(a.href);
      say(`${count(findings.length, 'topic')} written to ${name}.`);
    } catch (e) {
      say(e instanceof Error ? e.message : String(e), true);
    }
  }

  async function read(f: File) {
    try {
      const a = await api.answers(id, f);
      await client.invalidateQueries({ queryKey: ['model', id] });
      say(
        `${count(a.known, 'topic')} with ${count(a.comments, 'comment')} read.` +
          (a.unknown.length
            ? ` ${count(a.unknown.length, 'topic')} not from here: ${a.unknown.slice(0, 2).join(', ')}.`
            : ''),
      );
    } catch (e) {
      say(e instanceof Error ? e.message : String(e), true);
    }
  }

  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className="btn-quiet ml-3 !h-6"
          disabled={edits.busy}
          data-testid="bcf"
        >
          BCF <ChevronDown size={12} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="start">
            {['2.1', '3.0'].map((v) => (
              <DropdownMenu.Item
                key={v}
                className="menu-item"
                disabled={!findings.length}
                onSelect={() => void write(v)}
              >
                Write these {findings.length} as BCF {v}
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Item className="menu-item" onSelect={() => file.current?.click()}>
              Read answers from a BCF file …
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <input
        ref={file}
        type="file"
        accept=".bcf,.bcfzip"
        className="hidden"
        data-testid="bcf-file"
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) void read(f);
        }}
      />
    </>
  );
}
