import type { HouseRules } from "@/core/organisation";

type Phones = HouseRules["phoneNumbers"];

/** Phone numbers as they are typed: one a line, country before the colon. */
export const phoneLines = (phones: Phones): string => phones.map((one) => `${one.country}: ${one.number}`).join("\n");

export const readPhoneLines = (text: string): Phones =>
  text
    .split("\n")
    .filter((line) => line.trim() !== "")
    .map((line) => {
      const [country = "", ...rest] = line.split(":");
      return { country: country.trim(), number: rest.join(":").trim() };
    });

/** Domains with commas, blanks or line ends between. */
export const readDomains = (text: string): string[] => text.split(/[,\s]+/).filter(Boolean);
