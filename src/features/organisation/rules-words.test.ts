import { describe, expect, it } from "vitest";
import { houseRulesInput } from "@/contracts";
import { standardRules } from "@/core/organisation";
import { phoneLines, readDomains, readPhoneLines } from "./rules-words";

describe("lists of the house rules, as they are typed", () => {
  it("phone numbers come back as they were written, colons and blank lines and all", () => {
    const phones = [
      { country: "Portugal", number: "+351 30 000 0000" },
      { country: "Spain", number: "+34 900 000 000" },
    ];
    expect(readPhoneLines(phoneLines(phones))).toEqual(phones);
    expect(readPhoneLines("  Portugal :+351 30 000 0000 \n\n")).toEqual([phones[0]]);
    expect(readPhoneLines("")).toEqual([]);
  });
  it("a line without a country is kept, for the contract to refuse", () => {
    const [phone] = readPhoneLines("+351 30 000 0000");
    const rules = { ...standardRules, phoneNumbers: [phone] };
    expect(houseRulesInput.safeParse(rules).success).toBe(false);
  });
  it("domains with whatever stands between", () => {
    expect(readDomains("example.org, example.com\n example.net,")).toEqual([
      "example.org",
      "example.com",
      "example.net",
    ]);
  });
});
