/** What is waited for while it is closed. */
export function gate(isOpenAtFirst: boolean) {
  let isOpen = isOpenAtFirst;
  let waiting: (() => void)[] = [];
  return {
    /** null while it is open */
    wait: (): Promise<void> | null => (isOpen ? null : new Promise((done) => waiting.push(done))),
    close: () => {
      isOpen = false;
    },
    open: () => {
      isOpen = true;
      const all = waiting;
      waiting = [];
      for (const go of all) go();
    },
  };
}
