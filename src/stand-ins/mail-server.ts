import { mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import { SMTPServer } from "smtp-server";
import { deliveryReport } from "./delivery-report";

/**
 * The stand-in for the outside world's mail: takes every message by SMTP and keeps it as it came, one
 * `.eml` a message. Over HTTP it lists and shows what arrived. Addresses beginning with `refuse` get a
 * 550, with `later` a 451: what real servers do. Those beginning with `bounce` are taken and come back as
 * a delivery report (RFC 3464). Mail to one of the `ownAddresses` is laid down in the Maildir besides.
 */
export function startMailServer(options: {
  smtpPort: number;
  httpPort: number;
  folder: string;
  inbox?: string;
  ownAddresses?: readonly string[];
}): { close(): void } {
  mkdirSync(options.folder, { recursive: true });
  let count = readdirSync(options.folder).length;
  const own = new Set((options.ownAddresses ?? []).map((one) => one.toLowerCase()));
  const layDown = (name: string, raw: Buffer): void => {
    if (!options.inbox) return;
    for (const part of ["new", "cur", "tmp"]) mkdirSync(join(options.inbox, part), { recursive: true });
    // a reader of `new` must never see half a mail
    writeFileSync(join(options.inbox, "tmp", name), raw);
    renameSync(join(options.inbox, "tmp", name), join(options.inbox, "new", name));
  };
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS", "AUTH"],
    onRcptTo({ address }, _session, done) {
      const code = address.startsWith("refuse") ? 550 : address.startsWith("later") ? 451 : 0;
      done(code === 0 ? null : Object.assign(new Error("not here"), { responseCode: code }));
    },
    onData(stream, session, done) {
      const chunks: Buffer[] = [];
      stream.on("data", (chunk: Buffer) => chunks.push(chunk));
      stream.on("end", () => {
        count += 1;
        const raw = Buffer.concat(chunks);
        const name = `${String(count).padStart(7, "0")}.eml`;
        writeFileSync(join(options.folder, name), raw);
        for (const { address } of session.envelope.rcptTo) {
          // a subaddress (RFC 5233) is its address's own; the server says to which one a mail came
          const plain = address.toLowerCase().replace(/\+[^@]*@/, "@");
          if (own.has(plain)) layDown(name, Buffer.concat([Buffer.from(`Delivered-To: ${address}\r\n`), raw]));
          const { mailFrom } = session.envelope;
          const sender = mailFrom ? mailFrom.address : "";
          if (address.startsWith("bounce"))
            layDown(`report-${name}`, deliveryReport(address, raw.toString("latin1"), sender));
        }
        done();
      });
    },
  });
  smtp.on("error", () => {});
  smtp.listen(options.smtpPort, "127.0.0.1");
  const http = createServer((request, response) => {
    const name = /^\/(\d{7}\.eml)$/.exec(request.url ?? "")?.[1];
    const body = name ? readFileSync(join(options.folder, name)) : JSON.stringify(readdirSync(options.folder).sort());
    response.setHeader("content-type", name ? "message/rfc822" : "application/json");
    response.end(body);
  });
  http.listen(options.httpPort, "127.0.0.1");
  return {
    close() {
      smtp.close();
      http.close();
    },
  };
}
