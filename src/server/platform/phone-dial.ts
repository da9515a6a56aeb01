import { randomUUID } from "node:crypto";
import { Webhook } from "standardwebhooks";

/** What makes a phone ring: the phone line, asked to call a number and to report `answer` when somebody picks up. */
export interface DialPort {
  /** @throws where the line cannot be asked */
  ring(number: string, answer: string): Promise<void>;
}
/** A line that needs no asking: the stand-in looks by itself what rings. */
export const noDial: DialPort = { ring: async () => {} };

const patienceMs = 5000;

/** A phone line that takes calls over HTTP, signed as it signs its own reports (Standard Webhooks 1.0). */
export const signedDial = (url: string, secret: string): DialPort => ({
  async ring(number, answer) {
    const [id, at, body] = [`call_${randomUUID()}`, new Date(), JSON.stringify({ number, answer })];
    const response = await fetch(url, {
      method: "POST",
      headers: {
        "content-type": "application/json",
        "webhook-id": id,
        "webhook-timestamp": String(Math.floor(at.getTime() / 1000)),
        "webhook-signature": new Webhook(secret).sign(id, at, body),
      },
      body,
      signal: AbortSignal.timeout(patienceMs),
    });
    if (!response.ok) throw new Error(`the phone line answered ${response.status}`);
  },
});
