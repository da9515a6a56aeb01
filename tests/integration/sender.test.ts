import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync } from "node:fs";
import { createServer, type AddressInfo, type Server, type Socket } from "node:net";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { and, eq, isNotNull } from "drizzle-orm";
import { SMTPServer, type SMTPServerOptions } from "smtp-server";
import PostalMime from "postal-mime";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { nobody, senderPauseMinutes } from "@/core/mailings";
import { hourMs, minuteMs } from "@/core/time";
import { messages, people } from "@/server/db/schema";
import { smtpMailer } from "@/server/mail/mailer";
import { sendDue } from "@/server/services/mailings/deliver";
import { saveMailing } from "@/server/services/mailings/compose";
import { putOffMail } from "@/server/services/mailings/outbox";
import { sendMailing } from "@/server/services/mailings/send";
import { startMailServer } from "@/stand-ins/mail-server";
import { composed } from "../support/mailing";
import { makeEvent, makeWorld, type World } from "../support/world";

const root = resolve(import.meta.dirname, "../..");
let world: World;
const folder = mkdtempSync(join(tmpdir(), "stage-call-mail-"));
const smtpPort = 20_000 + Math.floor(process.pid % 20_000);
let server: { close(): void };
beforeAll(async () => {
  world = await makeWorld();
  server = startMailServer({ smtpPort, httpPort: smtpPort + 1, folder });
});
afterAll(async () => {
  server.close();
  await world.close();
});

async function plan(count: number, prefix: string): Promise<string> {
  const event = await makeEvent(world);
  const pasted = Array.from({ length: count }, (_, i) => `${prefix}${i}@example.org`).join("\n");
  const { id } = await saveMailing(
    world.context,
    world.owner,
    event.eventId,
    null,
    0,
    composed("invitation", { audience: { ...nobody, pasted } as never }),
  );
  await sendMailing(world.context, world.owner, event.eventId, id);
  return id;
}
const left = (mailingId: string, state: "planned" | "sending" | "sent" | "failed") =>
  world.context.db.$count(messages, and(eq(messages.mailingId, mailingId), eq(messages.state, state)));
const arrived = (prefix: string) =>
  readdirSync(folder)
    .map((name) => readFileSync(join(folder, name), "latin1").split(/\r?\n\r?\n/, 1)[0]!)
    .map((head) => ({
      to: /^To: .*?([\w.]+@example\.org)/im.exec(head)?.[1] ?? "",
      id: /^Message-ID: (\S+)/im.exec(head)?.[1] ?? "",
    }))
    .filter((mail) => mail.to.startsWith(prefix));
const until = async (check: () => Promise<boolean>) => {
  for (let i = 0; i < 1500 && !(await check()); i += 1) await new Promise((done) => setTimeout(done, 100));
};

function worker(): ChildProcess {
  const env = {
    ...process.env,
    NODE_ENV: "test",
    DATABASE_URL: world.databaseUrl,
    STAGE_CALL_URL: "http://127.0.0.1:3999",
    STAGE_CALL_SECRET: "only-for-tests-0123456789abcdef-0123456789",
    STAGE_CALL_FILES: folder,
    SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    STAGE_CALL_CLOCK_FILE: join(folder, "no-clock"),
    STAGE_CALL_MAILS_PER_SECOND: "800",
    STAGE_CALL_PART: "work",
  };
  return spawn("node", ["--import", "tsx", "scripts/serve.ts"], {
    cwd: root,
    env: env as unknown as NodeJS.ProcessEnv,
    stdio: "ignore",
  });
}

describe("a server that refuses us, not the recipients (rule 7; RFC 4954 §6, RFC 5321 §4.2.2)", () => {
  const stubborn = (options: SMTPServerOptions, run: (url: string) => Promise<void>) => {
    const smtp = new SMTPServer({ disabledCommands: ["STARTTLS"], ...options });
    smtp.on("error", () => {});
    return new Promise<void>((done, failed) => {
      const listening = smtp.listen(0, "127.0.0.1", () => {
        const { port } = listening.address() as AddressInfo;
        run(`127.0.0.1:${port}`).then(
          () => smtp.close(() => done()),
          (error) => smtp.close(() => failed(error)),
        );
      });
    });
  };
  const refusing = (code: number, words: string) => Object.assign(new Error(words), { responseCode: code });
  const marked = () => world.context.db.$count(people, isNotNull(people.addressFailedAt));

  it.each<[string, SMTPServerOptions, string, string]>([
    [
      "a wrong password",
      { allowInsecureAuth: true, onAuth: (_, __, done) => done(refusing(535, "Authentication failed; secret-pass")) },
      "user:secret-pass@",
      "535",
    ],
    [
      "a sender address it does not take",
      { authOptional: true, onMailFrom: (_, __, done) => done(refusing(553, "Sender rejected")) },
      "",
      "553",
    ],
    [
      "no connection for us at all",
      { authOptional: true, onConnect: (_, done) => done(refusing(554, "Blocked")) },
      "",
      "554",
    ],
  ])("%s marks nobody, and says to the team why mails wait", async (_, options, login, code) => {
    await stubborn(options, async (host) => {
      const mailer = smtpMailer(`smtp://${login}${host}`);
      const context = { ...world.context, mailer };
      const id = await plan(25, `stubborn${code}`);
      const before = await marked();
      expect(await sendDue(context)).toBe(0);
      expect([await left(id, "planned"), await left(id, "failed"), await left(id, "sending")]).toEqual([25, 0, 0]);
      expect(await marked()).toBe(before);
      const waiting = (await putOffMail(context, world.owner)).find((one) => one.note.includes(code));
      expect(waiting).toMatchObject({ count: 25 });
      expect(waiting!.note).not.toContain("secret-pass");
      // nothing more is tried until the pause is over, and then with the tries that were left
      expect(await sendDue(context)).toBe(0);
      const rows = await world.context.db.select().from(messages).where(eq(messages.mailingId, id));
      expect(new Set(rows.map((row) => row.attempts))).toEqual(new Set([0]));
      mailer.close();
      const mended = { ...world.context, mailer: smtpMailer(`smtp://127.0.0.1:${smtpPort}`) };
      world.clock.advance(senderPauseMinutes * minuteMs + 1000);
      await sendDue(mended);
      mended.mailer.close();
      expect(await left(id, "sent")).toBe(25);
    });
  });

  it("one recipient refused is that recipient's, even where others of the batch go", async () => {
    const mailer = smtpMailer(`smtp://127.0.0.1:${smtpPort}`);
    const id = await plan(2, "refuse");
    const before = await marked();
    await sendDue({ ...world.context, mailer });
    mailer.close();
    expect([await left(id, "failed"), (await marked()) - before]).toEqual([2, 2]);
  });
});

describe("a mail on the wire, read by an independent parser (RFC 5322, RFC 2045–2047, RFC 8058)", () => {
  const mail = {
    messageId: "<one@stage-call.example.org>",
    from: { name: "Brinewold Shore Trust", address: "events@brinewold.example.org" },
    replyTo: "office@brinewold.example.org",
    to: { name: 'ليلى النورس, "Layla"', address: "wire@example.org" },
    subject: "Ürgent: 潮 and the saltmarsh, once more and at such a length that the line has to be folded",
    text: "Hello,\n\n.a line that begins with a dot\nand one with an umlaut: ü",
    html: "<p>Hello</p>",
    calendar: { method: "REQUEST", content: "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n" },
    sentAt: Date.parse("2026-11-25T10:00:00Z"),
    unsubscribeUrl: "https://stage.example.org/unsubscribe/abc-DEF_123",
  };
  const onWire = async (part: Partial<typeof mail>) => {
    const mailer = smtpMailer(`smtp://127.0.0.1:${smtpPort}`);
    expect(await mailer.send({ ...mail, ...part } as never)).toMatchObject({ smtpCode: 250 });
    mailer.close();
    const raw = readFileSync(join(folder, readdirSync(folder).sort().at(-1)!));
    const parsed = await PostalMime.parse(raw);
    return {
      raw: raw.toString("latin1"),
      parsed,
      header: (key: string) => parsed.headers.filter((one) => one.key === key).map((one) => one.value),
    };
  };

  it("has its headers once each, names and subject whole in any script, and all three parts", async () => {
    const { raw, parsed, header } = await onWire({});
    expect(parsed).toMatchObject({
      messageId: mail.messageId,
      subject: mail.subject,
      from: mail.from,
      to: [mail.to],
      replyTo: [{ address: mail.replyTo }],
      date: "2026-11-25T10:00:00.000Z",
    });
    expect(header("list-unsubscribe")).toEqual([`<${mail.unsubscribeUrl}>`]);
    expect(header("list-unsubscribe-post")).toEqual(["List-Unsubscribe=One-Click"]);
    for (const key of ["message-id", "from", "to", "subject", "date", "mime-version"])
      expect([key, header(key).length]).toEqual([key, 1]);
    expect(parsed.text!.trim()).toBe(mail.text);
    expect(parsed.html).toContain("<p>Hello</p>");
    expect(parsed.attachments.some((one) => one.mimeType === "text/calendar" && one.method === "REQUEST")).toBe(true);
    // every line of the head is plain ASCII of 998 octets at most, every line ends with CRLF
    const head = raw.slice(0, raw.indexOf("\r\n\r\n"));
    expect(head).not.toMatch(/[^\x00-\x7f]/);
    expect(Math.max(...raw.split("\r\n").map((line) => line.length))).toBeLessThanOrEqual(998);
    expect(raw.replaceAll("\r\n", "")).not.toMatch(/[\r\n]/);
  });

  it("lets nobody add a header or a recipient through a name or a subject", async () => {
    const { parsed, header } = await onWire({
      subject: "Hi\r\nBcc: all@example.org",
      to: { name: "X\r\nBcc: all@example.org", address: "wire@example.org" },
      from: { name: "A\r\nX-Own: 1", address: "events@brinewold.example.org" },
    });
    expect([header("bcc"), header("x-own"), parsed.bcc ?? []]).toEqual([[], [], []]);
    expect(parsed.to).toHaveLength(1);
  });

  it("without a way out where the mail is a necessary one", async () => {
    const { header } = await onWire({ unsubscribeUrl: null as never, calendar: null as never });
    expect([header("list-unsubscribe"), header("list-unsubscribe-post")]).toEqual([[], []]);
  });
});

describe("the sender", () => {
  it("killed in the middle of 2,000 mails and started again: everybody has theirs, repeats bear the same Message-ID", async () => {
    // the worker's clock is the real one: what is planned now is due there
    world.clock.set(Date.now());
    const id = await plan(2000, "kill");
    const first = worker();
    await until(async () => (await left(id, "sent")) > 400);
    first.kill("SIGKILL");
    const inFlight = await left(id, "sending");
    const before = await left(id, "sent");
    expect(before).toBeLessThan(2000);
    // what the dead one held is given back after its lease: the clock of the database rows is moved, nobody waits two minutes
    await world.context.db
      .update(messages)
      .set({ dueAt: Date.now() - 1000 })
      .where(and(eq(messages.mailingId, id), eq(messages.state, "sending")));
    const second = worker();
    await until(async () => (await left(id, "sent")) === 2000);
    second.kill("SIGTERM");
    const mails = arrived("kill");
    const byPerson = Map.groupBy
      ? Map.groupBy(mails, (mail) => mail.to)
      : mails.reduce(
          (map, mail) => map.set(mail.to, [...(map.get(mail.to) ?? []), mail]),
          new Map<string, typeof mails>(),
        );
    expect(byPerson.size).toBe(2000);
    const repeated = [...byPerson.values()].filter((list) => list.length > 1);
    for (const list of repeated) expect(new Set(list.map((mail) => mail.id)).size).toBe(1);
    expect(repeated.length).toBeLessThanOrEqual(inFlight);
    console.log(
      `sender killed: ${before} sent and ${inFlight} in flight at the kill, 2000 of 2000 arrived, ${repeated.length} repeated with the same Message-ID`,
    );
    world.clock.set(Date.parse("2026-11-24T09:00:00Z"));
  }, 240_000);

  const faulty = async (answer: (socket: Socket) => void, run: (port: number) => Promise<void>) => {
    const sockets = new Set<Socket>();
    const bad: Server = createServer((socket) => {
      sockets.add(socket);
      socket.on("error", () => {});
      answer(socket);
    });
    await new Promise<void>((done) => bad.listen(0, "127.0.0.1", done));
    try {
      await run((bad.address() as { port: number }).port);
    } finally {
      sockets.forEach((socket) => socket.destroy());
      bad.close();
    }
  };

  it("loses nothing to a server that drops in the middle, stalls, or is away for an hour", async () => {
    const id = await plan(5, "fault");
    const through = async (port: number) => {
      const mailer = smtpMailer(`smtp://127.0.0.1:${port}?socketTimeout=1500&greetingTimeout=1500`);
      await sendDue({ ...world.context, mailer });
      mailer.close();
    };
    await faulty((socket) => socket.destroy(), through);
    expect([await left(id, "planned"), await left(id, "sent")]).toEqual([5, 0]);
    world.clock.advance(hourMs);
    // greets, then drops after the first words
    await faulty((socket) => {
      socket.write("220 ready\r\n");
      socket.once("data", () => socket.destroy());
    }, through);
    expect([await left(id, "planned"), await left(id, "sent")]).toEqual([5, 0]);
    world.clock.advance(hourMs);
    // greets and then says nothing more
    await faulty((socket) => void socket.write("220 ready\r\n"), through);
    expect([await left(id, "planned"), await left(id, "sent")]).toEqual([5, 0]);
    world.clock.advance(hourMs);
    await through(smtpPort);
    expect([await left(id, "planned"), await left(id, "sent")]).toEqual([0, 5]);
    expect(new Set(arrived("fault").map((mail) => mail.to)).size).toBe(5);
    console.log("sender: dropped, cut, stalled and put off; 5 of 5 arrived");
  }, 120_000);

  it("sends nobody a mail twice when a slow server eats the lease and another sender steps in", async () => {
    const id = await plan(60, "slow");
    const sent: string[] = [];
    const take = (mail: { to: { address: string } }) => {
      sent.push(mail.to.address);
      return { smtpCode: 250 };
    };
    const other = { close: () => {}, send: async (mail: { to: { address: string } }) => take(mail) };
    // each mail takes the clock ten seconds on; meanwhile a second sender takes whatever is due
    const slow = {
      close: () => {},
      async send(mail: { to: { address: string } }) {
        world.clock.advance(10_000);
        await sendDue({ ...world.context, mailer: other });
        return take(mail);
      },
    };
    await sendDue({ ...world.context, mailer: slow });
    expect(sent.filter((address) => address.startsWith("slow"))).toHaveLength(60);
    expect(new Set(sent).size).toBe(sent.length);
    expect(await left(id, "sent")).toBe(60);
    // what was given back counts as no try
    expect(await world.context.db.$count(messages, and(eq(messages.mailingId, id), eq(messages.attempts, 1)))).toBe(60);
  });
});
