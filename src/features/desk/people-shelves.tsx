"use client";
import { phrase, type Say } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import type { StagePersonItem, StagePlace } from "@/core/room";
import { Button, classes, Menu, Person } from "@/ui";
import { Loudness } from "@/features/shared/loudness";
import { useWhoSpeaks } from "@/features/shared/devices/use-voices";
import { roleWords } from "@/features/shared/role-words";
import { DutiesMenu, type SetDuties } from "./duties-menu";
import { FloorShelf } from "./floor-shelf";
import type { DeskScene } from "./scene";

const shelves: readonly { place: StagePlace; title: string; empty: string }[] = [
  { place: "stage", title: phrase("On stage"), empty: phrase("Nobody is on stage.") },
  { place: "standby", title: phrase("Standby"), empty: phrase("Nobody stands by.") },
  { place: "backstage", title: phrase("Backstage"), empty: phrase("Backstage is empty.") },
];
const moves: Record<StagePlace, readonly { to: StagePlace; act: string }[]> = {
  backstage: [
    { to: "standby", act: phrase("Standby") },
    { to: "stage", act: phrase("To the stage") },
  ],
  standby: [
    { to: "stage", act: phrase("To the stage") },
    { to: "backstage", act: phrase("Back") },
  ],
  stage: [{ to: "backstage", act: phrase("Off") }],
};

/** What somebody of the stage is and does, in one line. */
function stateWords(person: StagePersonItem, leads: boolean, say: Say): string {
  const open = person.isMicrophoneOpen ? say`microphone open` : say`muted`;
  const state = !person.isPresent ? [say`away`] : person.isCameraOpen ? [open, say`camera open`] : [open];
  const parts = [
    say.of(roleWords[person.role]),
    leads && say`leads this segment`,
    person.callerLevel !== null && say`on the phone`,
    person.devices > 1 && say`${person.devices} devices: echo?`,
  ];
  return [...parts.filter(Boolean), ...state].join(" · ");
}

/** Somebody's microphone: closed from here, opened by themselves alone. */
function Microphone({ id, person, scene }: { id: string; person: StagePersonItem; scene: DeskScene }) {
  const say = useSay();
  if (person.isMicrophoneOpen)
    return (
      <Button
        aria-label={say`Close the microphone: ${person.name}`}
        onClick={() => scene.send({ type: "stage.close-microphone", ticketId: id })}
      >
        {say`Mute`}
      </Button>
    );
  return (
    <Button
      aria-label={say`Ask to open the microphone: ${person.name}`}
      disabled={person.isAskedToOpen}
      onClick={() => scene.send({ type: "stage.ask-to-open", ticketId: id })}
    >
      {person.isAskedToOpen ? say`Asked` : say`Ask to unmute`}
    </Button>
  );
}

/** The rarer acts on somebody on stage: their camera, closed from here, opened by themselves alone. */
function More({ id, person, scene }: { id: string; person: StagePersonItem; scene: DeskScene }) {
  const say = useSay();
  const camera = person.isCameraOpen
    ? { label: say`Close the camera`, command: { type: "stage.close-camera", ticketId: id } as const }
    : { label: say`Ask to open the camera`, command: { type: "stage.ask-for-camera", ticketId: id } as const };
  return (
    <Menu
      trigger={
        <Button weight="plain" aria-label={say`More about ${person.name}`}>
          {say`More`}
        </Button>
      }
      items={[
        {
          label: say`To standby`,
          onSelect: () => void scene.send({ type: "stage.move", ticketId: id, place: "standby" }),
        },
        person.isAskedForCamera
          ? { label: say`Asked to open the camera`, isDisabled: true, onSelect: () => {} }
          : { label: camera.label, onSelect: () => void scene.send(camera.command) },
      ]}
    />
  );
}

/** Stage, standby and backstage as three shelves of people, then who of the audience has the floor. */
export function PeopleShelves({ scene, setDuties }: { scene: DeskScene; setDuties: SetDuties | null }) {
  const say = useSay();
  const { view, send, may } = scene;
  const leaderId = scene.segments[scene.currentIndex]?.leaderId;
  const openIds = Object.entries(view.stage).flatMap(([id, one]) =>
    one.isPresent && one.isMicrophoneOpen ? [id] : [],
  );
  const speaksId = useWhoSpeaks(scene.levels, openIds);
  return (
    <section aria-label={say`People`} className="flex flex-col gap-2">
      {shelves.map((shelf) => {
        const people = Object.entries(view.stage).filter(
          ([, person]) => person.place === shelf.place && (person.isPresent || shelf.place !== "backstage"),
        );
        return (
          <div key={shelf.place} className="grid grid-cols-[5.5rem_1fr] border-t border-rule pt-2">
            <h2 className="text-label font-medium text-ink-2">{say.of(shelf.title)}</h2>
            <ul className="flex flex-wrap gap-2">
              {people.length === 0 && <li className="text-ink-2">{say.of(shelf.empty)}</li>}
              {people.map(([id, person]) => (
                <li
                  key={id}
                  className={classes(
                    "min-w-52 border-s-2 px-2.5 py-1.5",
                    id === speaksId ? "border-action" : id === leaderId ? "border-attention" : "border-rule",
                    // somebody who is away stands there without ground; dimmed, their words could not be read
                    person.isPresent ? "bg-sheet" : "border-dashed",
                  )}
                >
                  <Person
                    name={person.name}
                    portrait={person.portraitId && `/pictures/${person.portraitId}`}
                    about={`${stateWords(person, id === leaderId, say)}${id === speaksId ? say` · speaks` : ""}`}
                  />
                  {(person.callerLevel !== null || (person.isPresent && person.isMicrophoneOpen)) && (
                    <Loudness
                      level={person.isMicrophoneOpen ? (person.callerLevel ?? scene.levels.get(id) ?? 0) : 0}
                      name={person.name}
                      className="mt-1"
                    />
                  )}
                  {may("stage.move") && (
                    <div className="mt-1 flex gap-1">
                      {moves[shelf.place].map((move) => (
                        <Button
                          key={move.to}
                          onClick={() => send({ type: "stage.move", ticketId: id, place: move.to })}
                          aria-label={say`${say.of(move.act)}: ${person.name}`}
                        >
                          {say.of(move.act)}
                        </Button>
                      ))}
                      {shelf.place === "stage" && person.isPresent && (
                        <>
                          <Microphone id={id} person={person} scene={scene} />
                          <More id={id} person={person} scene={scene} />
                        </>
                      )}
                      {setDuties && person.role === "crew" && (
                        <DutiesMenu id={id} person={person} setDuties={setDuties} />
                      )}
                    </div>
                  )}
                </li>
              ))}
            </ul>
          </div>
        );
      })}
      <FloorShelf scene={scene} />
    </section>
  );
}
