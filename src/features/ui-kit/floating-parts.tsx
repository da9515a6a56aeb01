"use client";
import { useState } from "react";
import { Button, CommandLine, Confirm, Dialog, Drawer, Menu, Popover, Tabs, toast, Tooltip } from "@/ui";

function Palette() {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Command line</Button>
      {isOpen && (
        <CommandLine
          label="Command line"
          field="Person and act"
          placeholder="A person or an act"
          untouched="Two letters are enough."
          nothing="No such act."
          find={(words) =>
            [
              { id: "drop", label: "Drop the curtain", keys: "x", run: () => toast("Dropped.") },
              { id: "mute", label: "Close all microphones", keys: "m", run: () => toast("Closed.") },
            ].filter(({ label }) => label.toLowerCase().includes(words.toLowerCase()))
          }
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}

export function FloatingParts() {
  return (
    <section className="flex flex-col gap-3 border-t border-rule py-3" aria-label="What floats">
      <h2 className="text-label font-medium text-ink-2">
        Dialog, drawer, menu, popover, tooltip, toast, command line, tabs
      </h2>
      <div className="flex flex-wrap gap-3">
        <Dialog trigger={<Button>Dialog</Button>} title="The same text to copy">
          <p>Everything the invitation says, without its look.</p>
        </Dialog>
        <Drawer trigger={<Button>Drawer</Button>} title="Ines Marl" description="tide watcher">
          <p>Came to three of the last five evenings.</p>
        </Drawer>
        <Confirm
          trigger={<Button weight="danger">Confirm</Button>}
          title="Open the doors"
          act="Open the doors"
          weight="act"
          onConfirm={() => toast("Opened.")}
        >
          <p>37 people in the foyer come in. The curtain stays down.</p>
        </Confirm>
        <Menu
          trigger={<Button>Menu</Button>}
          items={[
            { label: "Duplicate", keys: "D", onSelect: () => toast("Duplicated.") },
            { label: "Delete", isDanger: true, onSelect: () => toast("Deleted.") },
          ]}
        />
        <Popover trigger={<Button>Popover</Button>}>
          <p>Two people have this address.</p>
        </Popover>
        <Tooltip words="Next segment" keys="N">
          <Button>Tooltip</Button>
        </Tooltip>
        <Button onClick={() => toast("Saved.", { action: { label: "Undo", onClick: () => {} } })}>Toast</Button>
        <Palette />
      </div>
      <Tabs
        label="Lists"
        tabs={[
          { id: "people", label: "People", count: 37, content: <p>Everybody who is here.</p> },
          { id: "questions", label: "Questions", count: 4, content: <p>What was asked.</p> },
          { id: "files", label: "Files", content: <p>What is handed out.</p> },
        ]}
      />
    </section>
  );
}
