import { expect, test } from "@playwright/test";
import { demoLinks } from "../scripts/demo/links";

/** The public form beside its usual way (story.spec): by machines that mean no good, and in a browser without scripts. */
test("the registration's address: whoever sends from elsewhere, too much, or no form at all is told so", async ({
  request,
}) => {
  const frontSlug = (await demoLinks(process.env)).ahead.slug;
  const origin = process.env["STAGE_CALL_URL"]!;
  const at = `/front/${frontSlug}/register`;
  const form = { typed: { name: "", email: "nobody@", consent: "on" }, source: null, invitedBy: null, dateId: null };
  const send = (data: unknown, headers: Record<string, string> = { origin }) => request.post(at, { data, headers });
  expect((await send(form, { origin: "https://elsewhere.example.com" })).status()).toBe(403);
  expect((await send(form, {})).status()).toBe(403);
  expect((await send({ ...form, typed: { name: "x".repeat(80_000) } })).status()).toBe(413);
  expect((await send("no form at all")).status()).toBe(404);
  expect((await request.get(at)).status()).toBe(405);
  // a form that is one is answered as the page shows it: what is wrong with each field, and all that was typed
  const refused = await send(form, { origin, "accept-language": "de" });
  expect(refused.status()).toBe(200);
  expect(refused.headers()["cache-control"]).toBe("no-store");
  expect(await refused.json()).toMatchObject({
    status: "refused",
    typed: form.typed,
    errors: { email: expect.stringMatching(/Mail|Adresse/) },
  });
  const elsewhere = await request.post("/front/no-such-event/register", { data: form, headers: { origin } });
  expect(await elsewhere.json()).toMatchObject({ status: "refused" });
});

test("somebody whose browser runs no scripts registers all the same, and nothing typed is lost", async ({
  browser,
}) => {
  const frontSlug = (await demoLinks(process.env)).ahead.slug;
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await page.goto(`/front/${frontSlug}`);
  await page.getByLabel("Your name").fill("Odile Marram");
  await page.getByLabel("Mail address").fill("odile.marram@example.org");
  await page.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(page.getByText("Without your consent").first()).toBeVisible();
  // everything that is wrong is said at once
  await expect(page.getByText("An answer is needed.").first()).toBeVisible();
  await expect(page.getByLabel("Your name")).toHaveValue("Odile Marram");
  await page.getByLabel(/Which site do you look after/).fill("The saltmarsh");
  await page.getByRole("checkbox").check();
  await page.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(page.getByText("Look at your mail")).toBeVisible();
  await context.close();
});
