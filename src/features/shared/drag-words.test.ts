import { describe, expect, it } from "vitest";
import { dragWords } from "./drag-words";

describe("what is said while something is dragged", () => {
  const names: Record<string, string> = { "0191f1c2-0000-7000-8000-000000000001": "Opening" };
  const { announcements } = dragWords(
    (id) => names[id] ?? "",
    (day) => `day ${day}`,
  );
  const active = { id: "0191f1c2-0000-7000-8000-000000000001" } as never;
  const over = { id: "2026-11-26" } as never;

  it("names things, never ids", () => {
    const said = [
      announcements.onDragStart({ active }),
      announcements.onDragOver({ active, over } as never),
      announcements.onDragOver({ active, over: active } as never),
      announcements.onDragEnd({ active, over } as never),
      announcements.onDragEnd({ active, over: null } as never),
      announcements.onDragCancel({ active, over: null } as never),
    ];
    expect(said).toEqual([
      "Opening is taken up.",
      "Opening is over day 2026-11-26.",
      "Opening is at its own place.",
      "Opening is put down at day 2026-11-26.",
      "Opening is where it was.",
      "Opening stays where it was.",
    ]);
  });
});
