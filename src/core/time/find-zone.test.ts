import { describe, expect, it } from "vitest";
import { findZones, withNames, zoneNamed } from "./find-zone";

const cities = [
  withNames({ zone: "Asia/Kolkata", city: "Mumbai", country: "India" }, ["India Standard Time"]),
  withNames({ zone: "Asia/Kathmandu", city: "Kathmandu", country: "Nepal" }, ["Nepal Standard Time"]),
  withNames({ zone: "America/Sao_Paulo", city: "São Paulo", country: "Brazil" }, ["E. South America Standard Time"]),
  withNames({ zone: "America/New_York", city: "New York City", country: "United States" }, ["Eastern Standard Time"]),
  withNames({ zone: "Europe/Lisbon", city: "Lisbon", country: "Portugal" }, ["GMT Standard Time"]),
  withNames({ zone: "Europe/Paris", city: "Paris", country: "France" }, ["Romance Standard Time"]),
  withNames({ zone: "Africa/Freetown", city: "Freetown", country: "Sierra Leone" }),
  withNames({ zone: "Europe/London", city: "London", country: "United Kingdom" }),
  withNames({ zone: "America/Toronto", city: "London", country: "Canada" }),
];
const zoneOf = (text: string) => zoneNamed(text, cities)?.zone ?? null;

describe("a zone found by city", () => {
  it.each([
    ["Bombay", "Asia/Kolkata"],
    ["Kolkata", "Asia/Kolkata"],
    ["Sao Paulo", "America/Sao_Paulo"],
    ["são paulo, brazil", "America/Sao_Paulo"],
    ["New York", "America/New_York"],
    ["Katmandu", "Asia/Kathmandu"],
    ["Lisboa", "Europe/Lisbon"],
    ["lisb", "Europe/Lisbon"],
    ["Romance Standard Time", "Europe/Paris"],
    ["europe/paris", "Europe/Paris"],
    ["London, Canada", "America/Toronto"],
    ["London", "Europe/London"],
  ])("%s is %s", (text, zone) => expect(zoneOf(text)).toBe(zone));

  it.each(["Atlantis", "CET", "", "  ", "Lo", "a"])("%s names no one place", (text) => expect(zoneOf(text)).toBeNull());

  it("offers what a beginning may mean, the larger city first", () => {
    expect(findZones("Lon", cities).map((one) => one.country)).toEqual(["United Kingdom", "Canada"]);
    expect(findZones("india", cities).map((one) => one.city)).toEqual(["Mumbai"]);
  });
});
