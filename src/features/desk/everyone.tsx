"use client";
import { useSay } from "@/features/shared/say/say";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useMemo, useRef, useState } from "react";
import { holdsWords } from "@/core/shared";
import { Button, classes, Confirm, Input, Press } from "@/ui";
import type { DeskScene } from "./scene";

const rowPx = 44;

/** made once: thousands are sorted with every coming and going */
const byName = new Intl.Collator();

interface Row {
  readonly id: string;
  readonly name: string;
}

/** Everyone in the house and the foyer by name. */
const rowsOf = (audience: DeskScene["view"]["audience"]): readonly Row[] =>
  Object.entries(audience)
    .map(([id, { name }]): Row => ({ id, name }))
    .sort((a, b) => byName.compare(a.name, b.name));

/** What is to be said of one: made for those in view alone. */
function aboutWords({ view, say }: DeskScene, id: string): string {
  const person = view.audience[id];
  const parts = [
    person?.place === "foyer" ? say`in the foyer` : say`in the audience`,
    id in view.hands && say`hand up`,
    id in view.floor && (view.floor[id]!.isOnStage ? say`on stage` : say`has the floor`),
    person?.isTest && say`test guest`,
    person && person.callerLevel !== null && say`on the phone`,
  ];
  return parts.filter(Boolean).join(" · ");
}

/** What can be done about the person who was chosen. */
function Acts({ row, scene, onDone }: { row: Row; scene: DeskScene; onDone: () => void }) {
  const say = useSay();
  const { send, may, view } = scene;
  const isOnFloor = row.id in view.floor;
  return (
    <div className="border-t border-rule pt-2" aria-label={say`Acts for ${row.name}`} role="group">
      <p className="font-medium" dir="auto">
        {row.name} <span className="text-label font-normal text-ink-2">{aboutWords(scene, row.id)}</span>
      </p>
      <div className="mt-1 flex flex-wrap gap-1">
        {may("floor.offer") && !isOnFloor && (
          <Button onClick={() => send({ type: "floor.offer", ticketId: row.id, parts: ["sound"] })}>
            {say`Give the floor`}
          </Button>
        )}
        {may("floor.offer") && !isOnFloor && (
          <Button onClick={() => send({ type: "floor.offer", ticketId: row.id, parts: ["sound", "screen"] })}>
            {say`With their screen`}
          </Button>
        )}
        {may("floor.bring-on-stage") && !view.floor[row.id]?.isOnStage && (
          <Button
            onClick={() => send({ type: "floor.bring-on-stage", ticketId: row.id })}
          >{say`Bring on stage`}</Button>
        )}
        {may("floor.withdraw") && isOnFloor && (
          <Button onClick={() => send({ type: "floor.withdraw", ticketId: row.id })}>
            {view.floor[row.id]?.isOnStage ? say`Back to the audience` : say`Take the floor back`}
          </Button>
        )}
        {may("floor.lower-for") && row.id in view.hands && (
          <Button onClick={() => send({ type: "floor.lower-for", ticketId: row.id })}>{say`Lower the hand`}</Button>
        )}
        {may("chat.hold-person") && (
          <Button onClick={() => send({ type: "chat.hold-person", ticketId: row.id, isHeld: true })}>
            {say`Look at their lines first`}
          </Button>
        )}
        {may("hour.show-out") && (
          <Confirm
            trigger={<Button weight="danger">{say`Show out`}</Button>}
            title={say`Show ${row.name} out`}
            act={say`Show them out`}
            onConfirm={() => {
              void send({ type: "hour.show-out", ticketId: row.id });
              onDone();
            }}
          >
            <p>{say`Their screens close at once, on every device, and their link opens nothing until you let them back.`}</p>
          </Confirm>
        )}
      </div>
    </div>
  );
}

/** Who was shown out, and the way back. */
function ShownOut({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const barred = Object.entries(scene.view.barred);
  if (barred.length === 0) return null;
  return (
    <section className="border-t border-rule pt-2">
      <h3 className="text-label font-medium text-ink-2">{say`Shown out`}</h3>
      <ul>
        {barred.map(([id, { name }]) => (
          <li key={id} className="flex items-center gap-2 py-1">
            <span className="min-w-0 flex-1 truncate" dir="auto">
              {name}
            </span>
            {scene.may("hour.let-back") && (
              <Button
                aria-label={say`Let back: ${name}`}
                onClick={() => scene.send({ type: "hour.let-back", ticketId: id })}
              >
                {say`Let back`}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The deeper list of everyone: found by two letters, only what is in view is drawn. */
export function Everyone({ scene, bringIn }: { scene: DeskScene; bringIn?: () => void }) {
  const say = useSay();
  const [words, setWords] = useState("");
  const [chosenId, setChosenId] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const { view } = scene;
  // made anew when somebody came or went, not with every hand or second of the clock
  const all = useMemo(() => rowsOf(view.audience), [view.audience]);
  const rows = useMemo(
    () => (words.trim() === "" ? all : all.filter((row) => holdsWords(row.name, words))),
    [all, words],
  );
  // its functions change with every scroll, which is what they are for
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowPx,
    overscan: 8,
  });
  const chosen = all.find((row) => row.id === chosenId);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 p-0.5">
      <Input
        aria-label={say`Find somebody`}
        placeholder={say`Two letters of a name`}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      {bringIn && (
        <Button size="small" weight="plain" className="self-start" onClick={bringIn}>
          {say`Somebody is late …`}
        </Button>
      )}
      <p className="text-label text-ink-2" role="status">
        {words.trim() === "" ? say`People: ${rows.length}` : say`People: ${rows.length} of ${all.length}`}
      </p>
      {rows.length === 0 && (
        <p className="text-ink-2">
          {all.length === 0
            ? say`Nobody is in the audience or the foyer yet.`
            : say`Nobody’s name holds these letters.`}
        </p>
      )}
      <div ref={box} className="min-h-40 flex-1 overflow-y-auto" tabIndex={0} role="list" aria-label={say`Everyone`}>
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index]!;
            return (
              <div
                key={row.id}
                role="listitem"
                className="absolute inset-x-0 border-b border-rule"
                style={{ height: rowPx, transform: `translateY(${item.start}px)` }}
              >
                <Press
                  aria-pressed={row.id === chosenId}
                  onClick={() => setChosenId(row.id === chosenId ? null : row.id)}
                  className={classes("h-full w-full px-1 text-start", row.id === chosenId && "bg-raised")}
                >
                  <span className="block truncate leading-tight" dir="auto">
                    {row.name}
                  </span>
                  <span className="block truncate text-label text-ink-2">{aboutWords(scene, row.id)}</span>
                </Press>
              </div>
            );
          })}
        </div>
      </div>
      {chosen && <Acts row={chosen} scene={scene} onDone={() => setChosenId(null)} />}
      <ShownOut scene={scene} />
    </div>
  );
}
