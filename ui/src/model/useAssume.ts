import { useState } from 'react';

/** Whether runs of a project assume what is missing: remembered, since figures with and without are others. */
export function useAssume(project: string): [boolean, (yes: boolean) => void] {
  const key = `yentra.assume.${project}`;
  const [assume, setAssume] = useState(() => localStorage.getItem(key) === 'yes');
  return [
    assume,
    (yes) => {
      localStorage.setItem(key, yes ? 'yes' : 'no');
      setAssume(yes);
    },
  ];
}
