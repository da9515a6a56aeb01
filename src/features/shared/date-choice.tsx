"use client";
import { Select } from "@/ui";
import { useRouter } from "next/navigation";
import { clockTime, shortDate, weekdayName } from "@/core/time";

/** Chooses which date of an event the page is about. */
export function DateChoice(props: {
  eventId: string;
  place: string;
  currentId: string;
  dates: readonly { id: string; startAt: number; zone: string }[];
}) {
  const router = useRouter();
  const address = (id: string) =>
    props.place === "afterwards" || props.place === "desk"
      ? `/events/${props.eventId}/${props.place}/${id}`
      : `/events/${props.eventId}/${props.place}?date=${id}`;
  return (
    <Select
      aria-label="Which date"
      className="w-48!"
      value={props.currentId}
      onChange={(event) => router.push(address(event.target.value))}
    >
      {props.dates.map((date) => (
        <option key={date.id} value={date.id}>
          {weekdayName(date.startAt, date.zone)} {shortDate(date.startAt, date.zone)}{" "}
          {clockTime(date.startAt, date.zone)}
        </option>
      ))}
    </Select>
  );
}
