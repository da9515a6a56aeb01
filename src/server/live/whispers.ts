import type { WhisperBody } from "@/contracts";

/** One person's last word of a kind, as it goes to other processes. */
export type Said = readonly [ticketId: string, body: WhisperBody];

/** What was said in passing and not yet sent on: of each person the last word of each kind, nothing older. */
export class Whispers {
  private readonly byKind = new Map<string, Map<string, WhisperBody>>();

  take([ticketId, body]: Said): void {
    const own = this.byKind.get(body.type) ?? new Map<string, WhisperBody>();
    this.byKind.set(body.type, own.set(ticketId, body));
  }
  /** What is to be sent on of one kind; asked once, it is gone. */
  drain(type: string): Said[] {
    const said = [...(this.byKind.get(type) ?? [])];
    this.byKind.delete(type);
    return said;
  }
  drainAll(): Said[] {
    return [...this.byKind.keys()].flatMap((type) => this.drain(type));
  }
}

/** A NOTIFY carries less than 8,000 bytes: so many words go in one. */
const mostBytes = 6500;

/** Words in parts that each fit a notice. */
export function inNotices(said: readonly Said[]): Said[][] {
  const parts: Said[][] = [];
  let bytes = mostBytes;
  for (const one of said) {
    const size = Buffer.byteLength(JSON.stringify(one)) + 1;
    if (bytes + size > mostBytes) {
      parts.push([]);
      bytes = 0;
    }
    parts.at(-1)!.push(one);
    bytes += size;
  }
  return parts;
}
