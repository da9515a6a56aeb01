/** What a reader of an answer comes upon. */
export interface ReaderEars {
  opened(): void;
  /** it is no stream: with the status that was answered */
  refused(status: string): void;
  message(event: string, data: string): void;
}

const nothing = Buffer.alloc(0);
const headEnd = "\r\n\r\n";
const messageEnd = "\n\n";

/** A message of an event stream, by its lines (HTML Living Standard, 9.2.6). */
function readMessage(text: string, message: ReaderEars["message"]): void {
  let event = "message";
  const data: string[] = [];
  for (const line of text.split("\n")) {
    if (line.startsWith("event: ")) event = line.slice(7);
    else if (line.startsWith("data: ")) data.push(line.slice(6));
  }
  // a comment keeps the line open and says nothing
  if (data.length > 0) message(event, data.join("\n"));
}

/** Reads an event stream from an answer's bytes, however they are cut: head, chunks (RFC 9112 §7.1), messages. */
export class EventReader {
  private hasHead = false;
  /** bytes that are no whole chunk yet */
  private unread: Buffer = nothing;
  /** bytes of chunks that are no whole message yet */
  private untold: Buffer = nothing;

  constructor(private readonly ears: ReaderEars) {}

  /** @param fresh may be written over after this */
  take(fresh: Buffer): void {
    const all = this.unread.length > 0 ? Buffer.concat([this.unread, fresh]) : fresh;
    const from = this.hasHead ? 0 : this.readHead(all);
    const taken = this.hasHead ? this.readChunks(all, from) : from;
    this.unread = taken === all.length ? nothing : Buffer.from(all.subarray(taken));
  }

  /** @returns where the body begins; 0 where the head is not whole */
  private readHead(all: Buffer): number {
    const end = all.indexOf(headEnd);
    if (end < 0) return 0;
    const head = all.toString("latin1", 0, end);
    const status = head.split(" ", 2)[1] ?? "";
    if (status !== "200" || !/^transfer-encoding: *chunked/im.test(head)) {
      this.ears.refused(status);
      return all.length;
    }
    this.hasHead = true;
    this.ears.opened();
    return end + headEnd.length;
  }

  /** @returns how far it came */
  private readChunks(all: Buffer, from: number): number {
    let at = from;
    for (;;) {
      const sizeEnd = all.indexOf("\r\n", at);
      if (sizeEnd < 0) return at;
      const size = Number.parseInt(all.toString("latin1", at, sizeEnd), 16);
      const end = sizeEnd + 2 + size;
      if (all.length < end + 2) return at;
      this.tell(all.subarray(sizeEnd + 2, end));
      at = end + 2;
    }
  }

  private tell(chunk: Buffer): void {
    const all = this.untold.length > 0 ? Buffer.concat([this.untold, chunk]) : chunk;
    const last = all.lastIndexOf(messageEnd);
    const told = last < 0 ? 0 : last + messageEnd.length;
    this.untold = told === all.length ? nothing : Buffer.from(all.subarray(told));
    if (told === 0) return;
    for (const text of all.toString("utf8", 0, last).split(messageEnd)) readMessage(text, this.ears.message);
  }
}
