import type { RoomDirectory, RoomFigures } from "@/core/room";

/** Attendees in the house: they alone take seats. Counted once for each list of who is there. */
export class SeatCount {
  private counted: { readonly of: RoomFigures["present"]; readonly seated: number } | null = null;

  of({ present }: RoomFigures, { people }: RoomDirectory): number {
    if (this.counted?.of === present) return this.counted.seated;
    let seated = 0;
    for (const [id, place] of present) if (place === "house" && people.get(id)?.role === "attendee") seated += 1;
    this.counted = { of: present, seated };
    return seated;
  }
}
