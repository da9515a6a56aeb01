import { Webhook } from "standardwebhooks";
import { describe, expect, it } from "vitest";
import { isFromLine } from "./phone-report";

const secret = `whsec_${Buffer.from("a-secret-of-the-line-32-bytes-long").toString("base64")}`;
const line = { STAGE_CALL_PHONE_LINE: "signed", STAGE_CALL_PHONE_SECRET: secret } as const;
const body = JSON.stringify({ number: "+44 20 7946 0123", pin: "123456789" });
function signed(text: string, at = new Date(), by = secret): Headers {
  return new Headers({
    "webhook-id": "call-1",
    "webhook-timestamp": String(Math.floor(at.getTime() / 1000)),
    "webhook-signature": new Webhook(by).sign("call-1", at, text),
  });
}

describe("a phone line that signs (Standard Webhooks 1.0, by its reference library)", () => {
  it("is believed for the very bytes that it signed", () => {
    expect(isFromLine(line, signed(body), body)).toBe(true);
    expect(isFromLine(line, signed(body), body.replace("9", "8"))).toBe(false);
  });
  it("is not believed without a signature, with another's, or with an old one", () => {
    const other = `whsec_${Buffer.from("another-secret-of-32-bytes-or-more").toString("base64")}`;
    expect(isFromLine(line, new Headers(), body)).toBe(false);
    expect(isFromLine(line, signed(body, new Date(), other), body)).toBe(false);
    expect(isFromLine(line, signed(body, new Date(Date.now() - 600_000)), body)).toBe(false);
  });
  it("needs a secret and its switch", () => {
    expect(isFromLine({ STAGE_CALL_PHONE_LINE: "signed" }, signed(body), body)).toBe(false);
    expect(isFromLine({ ...line, STAGE_CALL_PHONE_LINE: "off" }, signed(body), body)).toBe(false);
  });
});
