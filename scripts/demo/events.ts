import { dayMs, minuteMs } from "@/core/time";
import { segmentSets } from "./words";

/** Dates that tools and tests find by their title. */

export const demoTitles = {
  live: "Public evening: what the winter counts say",
  soon: "Weekly count clinic",
  training: "Warden training, part two",
  past: "Public evening: tides and the saltmarsh",
  results: "Annual results night",
  clinics: "Count clinic before the January weekend",
} as const;
export interface DemoEvent {
  readonly title: string;
  readonly description: string;
  readonly set: keyof typeof segmentSets;
  /** minutes from now to the start; negative: past */
  readonly startsInMinutes: number;
  readonly zone: string;
  /** at what hour people hold it, where it is not about now */
  readonly clock: string;
  readonly registrants: number;
  readonly houseSize: number;
  readonly registrationLimit?: number;
  readonly phase: "ahead" | "live" | "past";
  readonly isDraft?: boolean;
  readonly isPrivate?: boolean;
  readonly creditPoints?: number;
  readonly interpretationInto?: readonly string[];
  readonly place?: string;
  readonly hasRecording?: boolean;
}
const day = dayMs / minuteMs;
export const demoEvents: readonly DemoEvent[] = [
  {
    title: demoTitles.live,
    description:
      "<p>Six thousand kilometres of shore, one weekend in January, and what the numbers tell when they are laid side by side. With time for your questions.</p>",
    set: "evening",
    startsInMinutes: -14,
    zone: "Europe/Lisbon",
    clock: "19:00",
    registrants: 140,
    houseSize: 250,
    phase: "live",
  },
  {
    title: demoTitles.soon,
    description: "<p>Bring your site, your tide table and your doubts. We count one stretch together.</p>",
    set: "clinic",
    startsInMinutes: 48,
    zone: "Europe/Lisbon",
    clock: "20:30",
    registrants: 38,
    houseSize: 60,
    registrationLimit: 40,
    phase: "ahead",
  },
  {
    title: demoTitles.training,
    description: "<p>Disturbance, the law and good sense. Earns credit for those who stay.</p>",
    set: "training",
    startsInMinutes: 3 * day + 95,
    zone: "Europe/Madrid",
    clock: "10:00",
    registrants: 64,
    houseSize: 100,
    phase: "ahead",
    creditPoints: 2,
  },
  {
    title: "Briefing for ringing crews",
    description: "<p>For the crews of the spring season.</p>",
    set: "clinic",
    startsInMinutes: 6 * day + 200,
    zone: "Europe/London",
    clock: "20:30",
    registrants: 12,
    houseSize: 40,
    phase: "ahead",
    isPrivate: true,
  },
  {
    title: demoTitles.results,
    description: "<p>A year on the shore, told by those who were there.</p>",
    interpretationInto: ["es", "pt"],
    place: "Assembly room, Brinewold",
    set: "evening",
    startsInMinutes: 20 * day + 60,
    zone: "America/New_York",
    clock: "19:00",
    registrants: 212,
    houseSize: 500,
    phase: "ahead",
  },
  {
    title: "Saltmarsh walk on screen",
    description: "<p>A low tide, seen from six places.</p>",
    set: "evening",
    startsInMinutes: 27 * day,
    zone: "Europe/Lisbon",
    clock: "19:00",
    registrants: 0,
    houseSize: 100,
    phase: "ahead",
    isDraft: true,
  },
  {
    title: demoTitles.past,
    description: "<p>Why the marsh moves.</p>",
    set: "evening",
    startsInMinutes: -13 * day,
    zone: "Europe/Lisbon",
    clock: "19:00",
    registrants: 320,
    houseSize: 250,
    phase: "past",
    hasRecording: true,
  },
  {
    title: "Warden training, part one",
    description: "<p>The first of two.</p>",
    set: "training",
    startsInMinutes: -24 * day + 90,
    zone: "Europe/Madrid",
    clock: "10:00",
    registrants: 180,
    houseSize: 200,
    phase: "past",
    creditPoints: 2,
  },
  {
    title: demoTitles.clinics,
    description: "<p>Every week until the count: one stretch of shore, counted together.</p>",
    set: "clinic",
    startsInMinutes: -41 * day,
    zone: "Europe/Lisbon",
    clock: "20:30",
    registrants: 96,
    houseSize: 100,
    phase: "past",
  },
  {
    title: "Annual results night of last year",
    description: "<p>All that was counted.</p>",
    set: "evening",
    startsInMinutes: -60 * day,
    zone: "America/New_York",
    clock: "19:00",
    registrants: 540,
    houseSize: 500,
    phase: "past",
  },
];
