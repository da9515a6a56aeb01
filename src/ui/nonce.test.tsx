import { getNonce } from "get-nonce";
import { expect, it } from "vitest";
import { Nonce } from "./nonce";

it("keeps the nonce that the page came with, whatever later layouts bring", () => {
  Nonce({ value: "of-the-page" });
  Nonce({ value: "of-a-later-layout" });
  expect(getNonce()).toBe("of-the-page");
});
