import { useEffect, useState } from 'react';

/** Width and height of the window, as it changes. */
export function useWindow(): [number, number] {
  const [size, setSize] = useState<[number, number]>([window.innerWidth, window.innerHeight]);
  useEffect(() => {
    const resized = () => setSize([window.innerWidth, window.innerHeight]);
    window.addEventListener('resize', resized);
    return () => window.removeEventListener('resize', resized);
  }, []);
  return size;
}

/** Whether a window is too small for parts beside each other, as at 200 % zoom on a small screen. */
export const isSmall = ([w, h]: [number, number]): boolean => w < 900 || h < 480;
