import { afterEach, describe, expect, it, vi } from "vitest";
import { registerForm } from "@/contracts";
import { sendForm } from "./use-register";

const how = {
  address: "/front/tides/register",
  cameBy: { source: "poster", invitedBy: null, dateId: null },
  oneMoment: "One moment, please.",
  notNow: "This cannot be done now.",
};
const typed = { name: "Ines Marl", email: "ines@example.org", consent: "on" };
const answering = (answer: () => Promise<Response>) => {
  const sent: { url: string; init: RequestInit }[] = [];
  vi.stubGlobal("fetch", (url: string, init: RequestInit) => {
    sent.push({ url, init });
    return answer();
  });
  return sent;
};
afterEach(() => vi.unstubAllGlobals());

describe("the public form, sent by the page's script", () => {
  it("sends what the contract takes, and shows the state that comes back", async () => {
    const state = { status: "refused", message: "Look again.", errors: { email: "No address." }, typed };
    const sent = answering(async () => Response.json(state));
    expect(await sendForm(how, typed)).toEqual(state);
    expect(sent).toHaveLength(1);
    expect(sent[0]!.url).toBe(how.address);
    expect(registerForm.parse(JSON.parse(String(sent[0]!.init.body)))).toEqual({ typed, ...how.cameBy });
  });

  it.each([403, 404, 413])("what is refused for good (%i) is said, not asked again for ever", async (status) => {
    answering(async () => Response.json({ ok: false }, { status }));
    expect(await sendForm(how, typed)).toEqual({ status: "refused", message: how.notNow, errors: {}, typed });
  });

  it.each([
    ["no line at all", () => Promise.reject(new TypeError("failed to fetch"))],
    ["a server that starts again", async () => new Response("Bad gateway", { status: 502 })],
    ["a page in the place of an answer", async () => new Response("<html>", { status: 200 })],
    ["a refusal that is no state of the form", async () => Response.json({ ok: false }, { status: 503 })],
  ])("with %s it is one moment: nothing typed is lost, and the form asks again by itself", async (_, answer) => {
    answering(answer);
    expect(await sendForm(how, typed)).toEqual({ status: "busy", message: how.oneMoment, errors: {}, typed });
  });
});
