import { describe, expect, it } from "vitest";
import { cityIn, hourWords } from "./cities";

// as CLDR 48 has them; those of the first column are how the zone database writes them
describe("cities in the reader's language", () => {
  it.each([
    ["Europe/Lisbon", "en", "Lisbon"],
    ["Europe/Lisbon", "de", "Lissabon"],
    ["Europe/Lisbon", "fr", "Lisbonne"],
    ["Europe/Lisbon", "es", "Lisboa"],
    ["Europe/Lisbon", "pt", "Lisboa"],
    ["Europe/Lisbon", "ar", "لشبونة"],
    ["America/New_York", "en", "New York"],
    ["America/New_York", "es", "Nueva York"],
    ["America/Sao_Paulo", "en", "São Paulo"],
    ["Europe/Kyiv", "de", "Kiew"],
    ["Asia/Kolkata", "en", "Kolkata"],
    ["Asia/Kathmandu", "en", "Kathmandu"],
    ["Asia/Yangon", "en", "Yangon"],
    ["Europe/London", "pt-BR", "Londres"],
  ])("%s in %s is %s", (zone, locale, city) => expect(cityIn(zone, locale)).toBe(city));

  it("stand in the words around an hour", () => {
    expect(hourWords("de", "Europe/Lisbon").inCity).toBe("{time} in Lissabon");
    expect(hourWords("ar", "Europe/Lisbon").inCity).toBe("{time} في لشبونة");
  });
});
