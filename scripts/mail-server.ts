import { startMailServer } from "../src/stand-ins/mail-server";

startMailServer({
  smtpPort: Number(process.env["SMTP_PORT"] ?? 2525),
  httpPort: Number(process.env["MAIL_HTTP_PORT"] ?? 2526),
  folder: process.env["MAIL_FOLDER"] ?? "var/mail",
  inbox: process.env["STAGE_CALL_INBOX"],
  ownAddresses: (process.env["MAIL_OWN_ADDRESSES"] ?? "").split(",").filter(Boolean),
});
