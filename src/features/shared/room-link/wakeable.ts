/** Pauses that can be cut short: the network is back. */
export function wakeable() {
  const sleepers = new Set<() => void>();
  return {
    wait: (ms: number) =>
      new Promise<void>((done) => {
        const rise = () => {
          clearTimeout(timer);
          sleepers.delete(rise);
          done();
        };
        const timer = setTimeout(rise, ms);
        sleepers.add(rise);
      }),
    wake: () => [...sleepers].forEach((rise) => rise()),
  };
}
