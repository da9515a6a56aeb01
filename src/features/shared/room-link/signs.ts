/**
 * A timer of its own thread: a hidden tab slows the page's down to one tick a minute, not this one's. It begins at
 * an instant of its own, so that a house that came at once does not go on giving signs at once.
 */
export function steadyTimer(everyMs: number, run: () => void): () => void {
  const source = `setTimeout(() => { postMessage(0); setInterval(() => postMessage(0), ${everyMs}); }, Math.random() * ${everyMs});`;
  try {
    const worker = new Worker(URL.createObjectURL(new Blob([source], { type: "text/javascript" })));
    worker.onmessage = run;
    return () => worker.terminate();
  } catch {
    const timer = setInterval(run, everyMs);
    return () => clearInterval(timer);
  }
}
