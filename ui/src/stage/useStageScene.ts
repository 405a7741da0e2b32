import { useEffect, useRef, useState } from 'react';
import { StageScene } from './StageScene';

declare global {
  interface Window {
    /** For browser tests: what is drawn, and where. */
    yentraStage?: () => ReturnType<StageScene['probe']>;
  }
}

/** A scene on a canvas that always fills its holder. */
export function useStageScene() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const holder = useRef<HTMLDivElement>(null);
  const [scene, setScene] = useState<StageScene | null>(null);
  const [size, setSize] = useState<readonly [number, number]>([1, 1]);

  useEffect(() => {
    const s = new StageScene(canvas.current!);
    // the observer may still speak once after the element has left the page
    const room = holder.current!;
    const fit = () => {
      if (!room.isConnected) return;
      const box = [room.clientWidth, room.clientHeight] as const;
      s.resize(...box);
      setSize(box);
    };
    const watch = new ResizeObserver(fit);
    watch.observe(room);
    fit();
    window.yentraStage = () => s.probe(room.clientWidth, room.clientHeight);
    setScene(s);
    return () => {
      watch.disconnect();
      s.dispose();
      setScene(null);
    };
  }, []);

  return { canvas, holder, scene, size };
}
