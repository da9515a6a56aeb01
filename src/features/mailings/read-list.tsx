"use client";
import { useEffect, useState } from "react";
import type { MailingInput } from "@/contracts";
import { Badge, Button, Dialog, Empty, Field, Input, Note, Skeleton, Table, Td } from "@/ui";
import type { AudienceList, ReadAudience } from "./audience-types";

type Audience = MailingInput["audience"];

const whyWords: Record<AudienceList["leftOut"][number]["why"], string> = {
  already: "asked or registered before",
  unsubscribed: "wants no mail",
  failed: "mail came back",
  "by-hand": "left out by hand",
};

/** A pause in typing before the list is asked for again. */
const pauseMs = 250;

function useList(kind: string, audience: Audience, words: string, read: ReadAudience) {
  const [list, setList] = useState<AudienceList | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    let isOver = false;
    const timer = setTimeout(() => {
      void read(kind, audience, words).then((done) => {
        if (isOver) return;
        setWrong(done.ok ? null : done.words);
        if (done.ok) setList(done.value);
      });
    }, pauseMs);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [kind, audience, words, read]);
  return { list, wrong };
}

/** The list itself, read before anything is sent: whoever should not get it is left out, with one act each. */
export function ReadList({
  kind,
  audience,
  read,
  onChange,
}: {
  kind: string;
  audience: Audience;
  read: ReadAudience;
  onChange: (audience: Audience) => void;
}) {
  const [words, setWords] = useState("");
  const { list, wrong } = useList(kind, audience, words, read);
  const leaveOut = (email: string) => onChange({ ...audience, except: [...audience.except, email] });
  const putBack = (email: string) => onChange({ ...audience, except: audience.except.filter((one) => one !== email) });
  return (
    <div className="flex flex-col gap-3">
      <Field label="Search">
        {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
      </Field>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {!list && !wrong && <Skeleton />}
      {list && list.people.length === 0 && list.leftOut.length === 0 && (
        <Empty title="Nobody">Choose whom it goes to, or search for fewer letters.</Empty>
      )}
      {list && list.people.length > 0 && (
        <Table aria-label="Would get it">
          <tbody>
            {list.people.map((one) => (
              <tr key={one.email}>
                <Td>
                  <bdi>{one.name}</bdi> <span className="text-ink-2">{one.email}</span>
                </Td>
                <Td className="text-end">
                  <Button weight="plain" onClick={() => leaveOut(one.email)}>
                    Leave out
                  </Button>
                </Td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {list && list.total > list.people.length && (
        <p className="text-ink-2">
          {list.people.length} of {list.total} shown. Search for more letters to see others.
        </p>
      )}
      {list && list.leftOut.length > 0 && (
        <>
          <h3 className="font-semibold">Left out</h3>
          <Table aria-label="Left out">
            <tbody>
              {list.leftOut.map((one) => (
                <tr key={one.email}>
                  <Td>
                    <bdi>{one.name}</bdi> <span className="text-ink-2">{one.email}</span>
                  </Td>
                  <Td>
                    <Badge>{whyWords[one.why]}</Badge>
                  </Td>
                  <Td className="text-end">
                    {one.why === "by-hand" && (
                      <Button weight="plain" onClick={() => putBack(one.email)}>
                        Put back
                      </Button>
                    )}
                  </Td>
                </tr>
              ))}
            </tbody>
          </Table>
        </>
      )}
    </div>
  );
}

/** Opens the list beside the composer. */
export function ReadListDialog(props: Parameters<typeof ReadList>[0]) {
  return (
    <Dialog trigger={<Button>Read the list</Button>} title="Whom it goes to">
      <ReadList {...props} />
    </Dialog>
  );
}
