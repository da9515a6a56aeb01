import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { MailingInput } from "@/contracts";
import { docFromTemplate, nobody } from "@/core/mailings";
import { people } from "@/server/db/schema";
import { draftOf, saveMailing } from "@/server/services/mailings/compose";
import { sendDue } from "@/server/services/mailings/deliver";
import { previewMailing } from "@/server/services/mailings/preview";
import { sendMailing } from "@/server/services/mailings/send";
import { personByEmail } from "@/server/services/ground/people-records";
import { composed } from "../support/mailing";
import { makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  event = await makeEvent(world);
  world.sent.splice(0);
});

const doc = (template: string) => docFromTemplate(template) as MailingInput["doc"];
const german = {
  locale: "de" as const,
  subject: "Einladung: {{event}}",
  doc: doc("Moin {{name}},\n\n{{join_details}}"),
};
const keep = (part: Partial<MailingInput>) =>
  saveMailing(world.context, world.owner, event.eventId, null, 0, composed("invitation", part));
async function reader(email: string, locale: string): Promise<string> {
  const { id } = await personByEmail(world.context, world.context.db, world.organisationId, {
    name: "Rea Der",
    email,
  });
  await world.context.db.update(people).set({ locale }).where(eq(people.id, id));
  return id;
}
const mailTo = (address: string) => world.sent.find((mail) => mail.to.address === address)!;

describe("a mailing in several languages", () => {
  it("reaches each reader in the language they chose, and everybody else in the first", async () => {
    await reader("german@example.org", "de-AT");
    await reader("french@example.org", "fr");
    const pasted = "german@example.org, french@example.org";
    const { id } = await keep({ versions: [german], audience: { ...nobody, pasted } as never });
    await sendMailing(world.context, world.owner, event.eventId, id);
    await sendDue(world.context);
    const [own, other] = [mailTo("german@example.org"), mailTo("french@example.org")];
    expect(own.subject).toMatch(/^Einladung: /);
    expect(own.text).toContain("Moin Rea");
    expect(own.html).toContain('lang="de"');
    expect(other.subject).toMatch(/^About /);
    expect(other.text).toContain("Hello Rea");
  });

  it("keeps its versions, and shows a reader's own in the preview", async () => {
    const { id } = await keep({ versions: [german] });
    expect((await draftOf(world.context, world.owner, event.eventId, id, "invitation")).versions).toEqual([german]);
    const personId = await reader("preview@example.org", "de");
    const shown = await previewMailing(
      world.context,
      world.owner,
      event.eventId,
      composed("invitation", { versions: [german] }),
      personId,
    );
    expect(shown.subject).toMatch(/^Einladung/);
  });

  it("cannot lose the join details in any of them, nor be in one language twice", async () => {
    await expect(keep({ versions: [{ ...german, doc: doc("Moin {{name}}") }] })).rejects.toMatchObject({
      failure: { code: "join-block-missing" },
    });
    await expect(keep({ versions: [german, german] })).rejects.toMatchObject({
      failure: { code: "invalid-input", issues: [{ path: "versions", code: "language-twice" }] },
    });
    await expect(keep({ versions: [{ ...german, subject: "{{weather}}" }] })).rejects.toMatchObject({
      failure: { code: "unknown-merge-field" },
    });
  });
});
