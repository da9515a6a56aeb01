/** Pauses that can be cut short, all at once: when the network is known to be back nobody waits their time out. */
export function pauses() {
  const running = new Set<() => void>();
  return {
    wait: (ms: number): Promise<void> =>
      new Promise((done) => {
        const end = () => {
          clearTimeout(timer);
          running.delete(end);
          done();
        };
        const timer = setTimeout(end, ms);
        running.add(end);
      }),
    cut: (): void => running.forEach((end) => end()),
  };
}
