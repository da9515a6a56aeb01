import { Agent, request as httpRequest } from "node:http";
import type { CommandBody } from "../contracts";
import { EventLine } from "./event-line";

/** One simulated guest: their link and what they are. */
export interface CrowdMember {
  readonly ticketId: string;
  readonly token: string;
  readonly occurrenceId: string;
}

type View = Record<string, Record<string, Record<string, unknown>>>;
interface Message {
  view?: View;
  connectionId?: string;
  changes?: [string, string, Record<string, unknown> | null][];
}

type Answer = { ok: boolean; failure?: { code: string } };
const mostRepeats = 5;

const agent = new Agent({ keepAlive: true, maxSockets: 64 });

/**
 * A browserless guest over the product's own addresses: enters by the ticket's cookie, follows the
 * stream, gives signs of life, sends commands.
 */
export class SimulatedGuest {
  view: View = {};
  /** what arrives, before it is read: for measuring */
  onMessage: (event: string, data: string) => void = () => {};
  private connectionId: string | null = null;
  private stream: EventLine | null = null;
  private signs: ReturnType<typeof setInterval> | undefined;

  constructor(
    private readonly origin: string,
    readonly member: CrowdMember,
    /** false: messages are only passed on, the view stays empty; for crowds of thousands */
    private readonly isFolding = true,
  ) {}

  private headers(): Record<string, string> {
    return { cookie: `sc-${this.member.ticketId}=${this.member.token}`, origin: this.origin };
  }
  private url(what: "stream" | "commands"): string {
    return `${this.origin}/live/${this.member.occurrenceId}/${what}?as=${this.member.ticketId}`;
  }

  /** Comes in; resolves once the stream is open. */
  come(): Promise<void> {
    return new Promise((done, failed) => {
      this.stream = new EventLine(new URL(this.url("stream")), this.headers(), {
        opened: () => {
          // as a browser's: the first at an instant of its own
          this.signs = setTimeout(() => {
            void this.sign().catch(() => {});
            this.signs = setInterval(() => void this.sign().catch(() => {}), 10_000);
          }, Math.random() * 10_000);
          done();
        },
        failed,
        message: (event, data) => this.take(event, data),
      });
    });
  }

  /** One sign of life; every ten seconds one goes out by itself. */
  async sign(): Promise<void> {
    if (this.connectionId) await this.send({ type: "sign", connectionId: this.connectionId });
  }

  private take(event: string, raw: string): void {
    this.onMessage(event, raw);
    if (!this.isFolding && event !== "follow") return;
    const data = JSON.parse(raw) as Message;
    // another list of feeds: each comes whole
    if (event === "follow") this.view = {};
    if (event === "snapshot" && data.view) this.view = { ...this.view, ...data.view };
    if (event === "follow" && data.connectionId) this.connectionId = data.connectionId;
    for (const [section, id, item] of data.changes ?? []) {
      const place = (this.view[section] ??= {});
      if (item === null) delete place[id];
      else place[id] = item;
    }
  }

  /** Sends until it is answered, with the same id, as a browser does: a dropped request is the guest's to repeat. */
  async send(command: CommandBody, commandId: string = crypto.randomUUID()): Promise<Answer> {
    for (let tries = 0; ; tries += 1) {
      try {
        return await this.post(command, commandId);
      } catch (error) {
        if (tries >= mostRepeats) throw error;
        await new Promise((done) => setTimeout(done, 100 * 2 ** tries));
      }
    }
  }

  private post(command: CommandBody, commandId: string): Promise<Answer> {
    const body = JSON.stringify({ commandId, command });
    const headers = {
      ...this.headers(),
      "content-type": "application/json",
      "content-length": String(Buffer.byteLength(body)),
    };
    return new Promise((done, failed) => {
      const outgoing = httpRequest(this.url("commands"), { method: "POST", headers, agent }, (incoming) => {
        let text = "";
        incoming.setEncoding("utf8");
        incoming.on("data", (part: string) => (text += part));
        incoming.on("error", failed);
        incoming.on("end", () => {
          try {
            done(JSON.parse(text) as Answer);
          } catch (error) {
            failed(error as Error);
          }
        });
      });
      outgoing.on("error", failed);
      outgoing.end(body);
    });
  }

  leave(): void {
    clearTimeout(this.signs);
    this.stream?.close();
    this.stream = null;
  }
}
