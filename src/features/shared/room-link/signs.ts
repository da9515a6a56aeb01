/** A timer of its own thread: a hidden tab slows the page's down to one tick a minute, not this one's. */
export function steadyTimer(everyMs: number, run: () => void): () => void {
  const source = `setInterval(() => postMessage(0), ${everyMs});`;
  try {
    const worker = new Worker(URL.createObjectURL(new Blob([source], { type: "text/javascript" })));
    worker.onmessage = run;
    return () => worker.terminate();
  } catch {
    const timer = setInterval(run, everyMs);
    return () => clearInterval(timer);
  }
}
