import { useEffect, useRef, useState } from "react";

export interface BoxSize {
  readonly width: number;
  readonly height: number;
}

/** How large a box is on the screen, told again whenever that changes; null before it was measured. */
export function useBox<E extends HTMLElement>() {
  const box = useRef<E>(null);
  const [size, setSize] = useState<BoxSize | null>(null);
  useEffect(() => {
    const one = box.current;
    if (!one) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width, height });
    });
    observer.observe(one);
    return () => observer.disconnect();
  }, []);
  return { box, size };
}
