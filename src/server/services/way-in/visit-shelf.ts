/** Somebody's opening of a public page, until it is counted: held for seconds, in memory alone. */
export interface Visit {
  readonly slug: string;
  readonly host: string;
  readonly remote: string;
  readonly agent: string;
  readonly via: string;
}

/** Beyond so many that wait, further ones are not counted: a rush is no reason to run out of memory. */
const mostWaiting = 20_000;

// the proxy is bundled apart from the server: one shelf for both
const shelf = globalThis as typeof globalThis & { stageCallVisits?: Visit[] };

export function noteVisit(visit: Visit): void {
  const waiting = (shelf.stageCallVisits ??= []);
  if (waiting.length < mostWaiting) waiting.push(visit);
}
/** What waits to be counted, handed over. */
export function takeVisits(): readonly Visit[] {
  const taken = shelf.stageCallVisits ?? [];
  shelf.stageCallVisits = [];
  return taken;
}
