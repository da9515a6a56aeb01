/**
 * A report of a failure for good, as RFC 3464 has it: words, status, and the headers of what came back.
 * @param sender the address of the envelope (MAIL FROM): there it goes
 */
export function deliveryReport(address: string, original: string, sender: string): Buffer {
  const headers = original.split(/\r?\n\r?\n/, 1)[0] ?? "";
  const border = "stand-in-report";
  const lines = [
    "From: Mail server <mailer-daemon@stage-call.example.org>",
    `To: ${sender}`,
    "Subject: Undelivered mail",
    "MIME-Version: 1.0",
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${border}"`,
    "",
    `--${border}`,
    "Content-Type: text/plain; charset=utf-8",
    "",
    `Your message to ${address} could not be delivered.`,
    "",
    `--${border}`,
    "Content-Type: message/delivery-status",
    "",
    "Reporting-MTA: dns; stage-call.example.org",
    "",
    `Final-Recipient: rfc822; ${address}`,
    "Action: failed",
    "Status: 5.1.1",
    "Diagnostic-Code: smtp; 550 5.1.1 no such mailbox",
    "",
    `--${border}`,
    "Content-Type: text/rfc822-headers",
    "",
    headers,
    "",
    `--${border}--`,
    "",
  ];
  return Buffer.from(lines.join("\r\n"), "latin1");
}
