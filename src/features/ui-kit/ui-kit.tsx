"use client";
import { useState, type ReactNode } from "react";
import {
  Badge,
  Bar,
  Button,
  Empty,
  List,
  ListItem,
  Note,
  Person,
  Progress,
  Shortcut,
  Skeleton,
  Tag,
  Theme,
} from "@/ui";
import { FloatingParts } from "./floating-parts";
import { FormParts } from "./form-parts";
import { TableParts } from "./table-parts";

export function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="border-t border-rule py-3">
      <h2 className="mb-2 text-label font-medium text-ink-2">{name}</h2>
      <div className="flex flex-wrap items-start gap-3">{children}</div>
    </section>
  );
}

function Words() {
  return (
    <>
      <Part name="Button">
        <Button weight="act">Send to 214</Button>
        <Button>Save</Button>
        <Button weight="plain">Undo</Button>
        <Button weight="danger">Delete</Button>
        <Button weight="on-air">Raise the curtain</Button>
        <Button disabled>Waiting</Button>
        <Button size="small">Small</Button>
        <Button size="large">Large</Button>
      </Part>
      <Part name="Badge, bar, progress, shortcut">
        <Badge>draft</Badge>
        <Tag label="Spanish" removal="Without Spanish" onRemove={() => undefined} />
        <Badge tone="action">ready</Badge>
        <Badge tone="attention">3 missing</Badge>
        <Badge tone="wrong">failed</Badge>
        <Badge tone="on-air">on air</Badge>
        <span className="w-32">
          <Bar value={186} most={250} label="186 of 250 seats" />
        </span>
        <span className="w-52">
          <Progress done={37} all={120} label="Pages made" />
        </span>
        <Shortcut keys="Ctrl K" />
      </Part>
      <Part name="Note, empty, skeleton">
        <Note>The reminder leaves in 20 minutes.</Note>
        <Note tone="attention">Two people have not answered yet.</Note>
        <Note tone="wrong">The file broke off. Nothing was kept; start it again.</Note>
        <Empty title="No questions yet" act={<Button>Ask the first</Button>}>
          They stand here in the order in which the desk answers them.
        </Empty>
        <span className="w-52">
          <Skeleton />
        </span>
      </Part>
      <Part name="Person, list">
        <List label="People" className="w-72">
          {["Ines Marl", "Oskar Vell", "ليلى حداد"].map((name) => (
            <ListItem key={name} acts={<Button size="small">Invite</Button>}>
              <Person name={name} about="tide watcher" />
            </ListItem>
          ))}
        </List>
      </Part>
    </>
  );
}

/** Every part of the interface, in both colours and both directions: for looking, and for the accessibility check. */
export function UiKit() {
  const [theme, setTheme] = useState<"paper" | "desk">("paper");
  const [dir, setDir] = useState<"ltr" | "rtl">("ltr");
  return (
    <Theme theme={theme} dir={dir} className="min-h-screen">
      <main className="mx-auto max-w-6xl px-6 py-4">
        <header className="flex items-center gap-3 pb-3">
          <h1 className="flex-1 text-title font-semibold">Parts of the interface</h1>
          <Button onClick={() => setTheme(theme === "paper" ? "desk" : "paper")}>
            {theme === "paper" ? "Show dark" : "Show light"}
          </Button>
          <Button onClick={() => setDir(dir === "ltr" ? "rtl" : "ltr")}>
            {dir === "ltr" ? "Right to left" : "Left to right"}
          </Button>
        </header>
        <div className="grid grid-cols-1 gap-x-8 lg:grid-cols-2">
          <div>
            <Words />
            <FloatingParts />
          </div>
          <div>
            <FormParts />
            <TableParts />
          </div>
        </div>
      </main>
    </Theme>
  );
}
