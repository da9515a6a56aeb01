import { expect, test, type Browser, type Page } from "./support/test";
import { createTransport } from "nodemailer";
import pg from "pg";
import { linkIn, mailsTo, mailWith } from "./support/mail";
import { signIn } from "./support/team";

const title = "Night roost count";
const local = (ahead: number) => `${new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10)}T20:00`;

/** The date's state, as if the desk had changed it while a page stood open. */
async function setPhase(phase: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env["DATABASE_URL"] });
  await client.connect();
  await client.query("update occurrences o set phase = $2 from events e where e.id = o.event_id and e.title = $1", [
    title,
    phase,
  ]);
  await client.end();
}

/** Reminders come due at once: the clock of the mails is moved, nobody waits a day. */
async function letRemindersComeDue(): Promise<void> {
  const client = new pg.Client({ connectionString: process.env["DATABASE_URL"] });
  await client.connect();
  await client.query(
    "update messages m set due_at = now() from events e where e.id = m.event_id and e.title = $1 and m.state = 'planned' and m.kind = 'reminder' and m.planned_due_at = (select min(planned_due_at) from messages x where x.event_id = e.id and x.kind = 'reminder')",
    [title],
  );
  await client.end();
}

async function planEvent(page: Page): Promise<string> {
  await page.getByRole("link", { name: "Plan an event" }).click();
  await page.getByLabel("Title").fill(title);
  await page.getByLabel("Date and hour", { exact: true }).fill(local(3));
  await page.getByLabel("Time zone, by city").fill("Lisbon, Portugal");
  await page.getByLabel("Registration limit").fill("2");
  await page.getByRole("button", { name: "Make the event" }).click();
  await expect(page.getByRole("button", { name: "Save the plan" })).toBeVisible();
  await page
    .getByRole("navigation", { name: "Order of work" })
    .getByRole("link", { name: /Public page/ })
    .click();
  await page.getByRole("button", { name: "Publish" }).click();
  await expect(page.getByText("Published.")).toBeVisible();
  return (await page.getByRole("link", { name: /\/front\// }).textContent())!;
}

/** Answers by a calendar file, as a mail program does: by SMTP to the event's address (RFC 5546). */
async function replyByFile(from: string, request: string, partstat: string): Promise<void> {
  const lines = request.replace(/\r?\n[ \t]/g, "").replaceAll("\r", "");
  const uid = /^UID:(.+)$/m.exec(lines)![1]!;
  const organizer = /^ORGANIZER[^\n]*mailto:([^\s"]+)$/m.exec(lines)![1]!;
  const content = [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//Example//EN",
    "METHOD:REPLY",
    "BEGIN:VEVENT",
    `UID:${uid}`,
    "DTSTAMP:20261125T100000Z",
    `ATTENDEE;PARTSTAT=${partstat}:mailto:${from}`,
    `ORGANIZER:mailto:${organizer}`,
    "END:VEVENT",
    "END:VCALENDAR",
    "",
  ].join("\r\n");
  const transport = createTransport(process.env["SMTP_URL"]!);
  await transport.sendMail({
    from,
    to: organizer,
    subject: `Re: ${title}`,
    text: "See the file.",
    icalEvent: { method: "REPLY", content },
  });
  transport.close();
}

async function registerInArabic(browser: Browser, front: string): Promise<Page> {
  const page = await (await browser.newContext({ locale: "ar", timezoneId: "Africa/Cairo" })).newPage();
  await page.goto(front);
  await expect(page.locator("html[dir=rtl][lang=ar]")).toBeVisible();
  await page.getByLabel("اسمك").fill("ليلى النورس");
  await page.getByLabel("عنوان البريد").fill("layla@example.org");
  await page.getByRole("button", { name: "أرسلوا إليّ تذكرتي" }).click();
  await expect(page.getByText("لا يمكننا حفظ تسجيلك من دون موافقتك.").first()).toBeVisible();
  await page.getByRole("checkbox").check();
  await expect(page.getByLabel("اسمك")).toHaveValue("ليلى النورس");
  await page.getByRole("button", { name: "أرسلوا إليّ تذكرتي" }).click();
  await expect(page.getByText("انظر في بريدك")).toBeVisible();
  return page;
}

test("the way in: contacts from a file, an invitation, replies by link and by file, an Arabic registration, the waiting list, a reminder, a cancellation", async ({
  browser,
  page,
}) => {
  await signIn(page);
  const front = await planEvent(page);
  const mailings = page.url().replace("/front-door", "/mailings");

  await page.goto("/contacts?view=import");
  const csv = [
    "name;mail address;group",
    "Roost Counter;roost.counter@example.org;Roost crew",
    "Second Counter;second.counter@example.org;Roost crew",
    "Quiet Counter;quiet.counter@example.org;Roost crew",
    "Nobody;not-an-address;Roost crew",
  ].join("\r\n");
  await page
    .getByLabel("File of contacts")
    .setInputFiles({ name: "crew.csv", mimeType: "text/csv", buffer: Buffer.from(csv) });
  await expect(page.getByText("line 5: the address cannot be read")).toBeVisible();
  await page.getByRole("button", { name: "Import 3 people" }).click();
  await expect(page.getByText(/3 people added/)).toBeVisible();

  // an invitation to the group: the join block cannot be deleted, nothing goes by keeping it
  await page.goto(mailings);
  await page.getByRole("link", { name: "Invitation", exact: true }).click();
  await page.getByLabel(/Roost crew/).check();
  await page.getByRole("textbox", { name: "Words of the mail" }).click();
  await page.keyboard.press("Control+a");
  await page.keyboard.press("Delete");
  await expect(page.getByText("They can be moved, not deleted.")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved. Nothing was sent.")).toBeVisible();
  expect(await mailsTo("roost.counter@example.org")).toEqual([]);
  await page.getByRole("button", { name: "Send to 3 people" }).click();
  await page.getByRole("button", { name: "Send 3", exact: true }).click();
  const invitation = await mailWith("roost.counter@example.org", /You are invited/);
  expect(invitation.headers.find((header) => header.key === "list-unsubscribe-post")?.value).toBe(
    "List-Unsubscribe=One-Click",
  );

  // one says yes by the link and is registered by it; one is unsure by a calendar file
  const guest = await (await browser.newContext()).newPage();
  await guest.goto(/https?:\S+\/reply\/[\w-]+/.exec(invitation.text!)![0]);
  await guest.getByRole("button", { name: "I am coming" }).click();
  await expect(guest.getByText("You have a place.")).toBeVisible();
  await expect(guest.getByRole("link", { name: "Your ticket" })).toBeVisible();
  const ticket = await mailWith("roost.counter@example.org", /Your ticket/);
  const second = await mailWith("second.counter@example.org", /You are invited/);
  // called off while the page stood open: words, and the answer is not kept
  const late = await (await browser.newContext()).newPage();
  await late.goto(/https?:\S+\/reply\/[\w-]+/.exec(second.text!)![0]);
  await setPhase("cancelled");
  await late.getByRole("button", { name: "I am coming" }).click();
  await expect(late.getByText("This is not possible just now.")).toBeVisible();
  await setPhase("scheduled");
  await replyByFile(
    "second.counter@example.org",
    new TextDecoder().decode(second.attachments.find((one) => one.mimeType === "text/calendar")!.content as Uint8Array),
    "TENTATIVE",
  );
  await expect(async () => {
    await page.goto(mailings);
    await expect(page.getByRole("region", { name: "Replies" }).getByText("1 not sure")).toBeVisible({ timeout: 4000 });
  }).toPass({ timeout: 60_000 });
  await expect(page.getByRole("region", { name: "Replies" }).getByText("1 not answered")).toBeVisible();
  await page.getByRole("button", { name: "Remind the 1 who have not answered" }).click();
  await page.getByRole("button", { name: "Remind them" }).click();
  await mailWith("quiet.counter@example.org", /Will you come/);

  // the second place goes to somebody who reads Arabic, the third comer waits
  await registerInArabic(browser, front);
  const arabic = await mailWith("layla@example.org", /تذكرتك/);
  expect(arabic.html).toContain('dir="rtl"');
  const waiting = await (await browser.newContext()).newPage();
  await waiting.goto(`${front}?via=noticeboard`);
  await waiting.getByLabel("Your name").fill("Third Comer");
  await waiting.getByLabel("Mail address").fill("third.comer@example.org");
  await waiting.getByRole("checkbox").check();
  await waiting.getByRole("button", { name: "Send me my ticket" }).click();
  await mailWith("third.comer@example.org", /Waiting list/);

  // somebody cancels from the ticket: the one who waits moves up; the one who left comes back to the end of the line
  await guest.goto(linkIn(ticket, "ticket"));
  await guest.getByRole("button", { name: "Cancel my place" }).click();
  await guest.getByRole("button", { name: "Yes, cancel it" }).click();
  await expect(guest.getByText("This registration is cancelled.")).toBeVisible();
  await mailWith("third.comer@example.org", /A place has come free/);
  await guest.getByRole("button", { name: "Register again" }).click();
  await expect(guest.getByText("You are on the waiting list.")).toBeVisible();

  // the reminder, in each one's language
  await letRemindersComeDue();
  await mailWith("third.comer@example.org", /begins in/);
  expect((await mailWith("layla@example.org", /يبدأ/)).text).toContain("القاهرة");
  // a second device is asked who it is
  const away = await (await browser.newContext()).newPage();
  await away.goto(linkIn(arabic, "ticket"));
  await expect(away.getByText("لك مكان.")).toBeVisible();

  // one click of a mail program unsubscribes (RFC 8058): no page, no origin
  const unsubscribe = /https?:\/\/[^>\s]+\/unsubscribe\/[\w-]+/.exec(
    String(invitation.headers.find((header) => header.key === "list-unsubscribe")?.value),
  )![0];
  const answer = await fetch(unsubscribe, {
    method: "POST",
    body: new URLSearchParams({ "List-Unsubscribe": "One-Click" }),
  });
  expect(answer.status).toBe(200);
  await page.goto("/contacts?state=unsubscribed&words=roost.counter");
  await expect(page.getByRole("link", { name: "Roost Counter" })).toBeVisible();
});
