"use client";
import type { PlanInput } from "@/contracts";
import { cityOf, durationWords, localWords } from "@/core/time";
import { Button, Dialog } from "@/ui";

/** Saving a moved date and telling people are two acts: asked once, with the number. */
export function AskToTell({
  holders,
  input,
  onSave,
  onClose,
}: {
  holders: number;
  input: PlanInput;
  onSave: (tellPeople: boolean) => void;
  onClose: () => void;
}) {
  const people = holders === 1 ? "1 person" : `${holders} people`;
  const save = (tellPeople: boolean) => {
    onClose();
    onSave(tellPeople);
  };
  return (
    <Dialog
      isOpen
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title="The date changes"
      description={`To ${localWords(input.startLocal)} in ${cityOf(input.zone)}, ${durationWords(Number(input.durationMinutes))}. ${people} know it as it was.`}
    >
      <p>
        Reminders go by it either way. The mail that says so leaves five minutes after the last edit; until then it
        stands among the mailings.
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button weight="act" onClick={() => save(true)}>
          Save and tell {people}
        </Button>
        <Button onClick={() => save(false)}>Save without telling</Button>
        <Button weight="plain" onClick={onClose}>
          Not now
        </Button>
      </div>
    </Dialog>
  );
}
