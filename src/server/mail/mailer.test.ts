import type { AddressInfo } from "node:net";
import { SMTPServer } from "smtp-server";
import { expect, it } from "vitest";
import { smtpMailer } from "./mailer";

const mail = {
  messageId: "<one@stage-call.example.org>",
  from: { name: "Brinewold Shore Trust", address: "events@brinewold.example.org" },
  replyTo: null,
  to: { name: "Ines Marl", address: "ines@example.org" },
  subject: "Hello",
  text: "Hello",
  html: "<p>Hello</p>",
  calendar: null,
  sentAt: 0,
  unsubscribeUrl: null,
};

/** A server on this machine, reached under a name that means it and one that need not. */
async function at(host: string, options: ConstructorParameters<typeof SMTPServer>[0]) {
  const received: string[] = [];
  const server = new SMTPServer({
    authOptional: true,
    ...options,
    onMailFrom({ address }, _, done) {
      received.push(address);
      done();
    },
  });
  server.on("error", () => {});
  const listening = server.listen(0, "127.0.0.1");
  await new Promise((done) => listening.once("listening", done));
  const { port } = listening.address() as AddressInfo;
  const mailer = smtpMailer(`smtp://${host}:${port}`);
  const result = await mailer.send(mail);
  mailer.close();
  await new Promise<void>((done) => server.close(() => done()));
  return { result, received };
}

it("to this machine's own stand-in mail goes as it is; to any other only encrypted (RFC 8314 §3)", async () => {
  const plain = { disabledCommands: ["STARTTLS"] };
  expect((await at("127.0.0.1", plain)).result.smtpCode).toBe(250);
  // the same server under a name that is not loopback for us: nothing at all is said to it, not even who writes
  const elsewhere = await at("0.0.0.0", plain);
  expect(elsewhere.result.smtpCode === null || elsewhere.result.smtpCode >= 500).toBe(true);
  expect(elsewhere.received).toEqual([]);
});
