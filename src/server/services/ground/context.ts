import { issuesOf } from "@/contracts";
import { nulIn, Refusal, type IssueCode } from "@/core/shared";
import type { z } from "zod";
import type { CrowdPort } from "./crowd-port";
import type { DialPort } from "../../platform/phone-dial";
import type { Db } from "../../db/client";
import type { Storage } from "../../files/storage";
import type { Inbox } from "../../mail/inbox";
import type { Mailer } from "../../mail/mailer";
import type { Clock } from "../../platform/clock";
import type { Environment } from "../../platform/environment";
import type { Ids } from "../../platform/ids";
import type { Log } from "../../platform/log";
import type { Queue } from "../../platform/queue";
import type { CertificateMaker } from "../../workers/certificate-words";
import type { DeckMaker } from "../../workers/deck-words";
import type { MediaWorker } from "../../workers/media-words";
import type { HeavySums } from "../../workers/sums";
import type { Secrets } from "../../platform/secrets";

/** What every service stands on. Built once a process, by the composition root. */
export interface Context {
  readonly db: Db;
  readonly clock: Clock;
  readonly ids: Ids;
  readonly log: Log;
  readonly secrets: Secrets;
  readonly queue: Queue;
  readonly mailer: Mailer;
  readonly inbox: Inbox;
  readonly storage: Storage;
  readonly environment: Environment;
  readonly sums: HeavySums;
  readonly makeDeck: DeckMaker;
  readonly makeMedia: MediaWorker;
  readonly makeCertificate: CertificateMaker;
  readonly crowd: CrowdPort;
  readonly dial: DialPort;
}

/** No text of the database can hold a NUL: it is refused at its field, not found out by a failing statement. */
export function refuseNul(input: unknown): void {
  const path = nulIn(input);
  if (path !== null) throw wrongInput(path, "unreadable");
}

/** Input against its schema, or a refusal with every issue and its field. */
export function parse<S extends z.ZodType>(schema: S, input: unknown): z.output<S> {
  refuseNul(input);
  const parsed = schema.safeParse(input);
  if (parsed.success) return parsed.data;
  throw new Refusal({ code: "invalid-input", issues: issuesOf(parsed.error) });
}

/** A refusal for one field that a schema cannot judge alone. */
export const wrongInput = (path: string, code: IssueCode, facts: Record<string, string | number> = {}): Refusal =>
  new Refusal({ code: "invalid-input", issues: [{ path, code, facts }] });

export const notFound = (what: string): Refusal => new Refusal({ code: "not-found", what });

/** The first row, or a refusal that names what is missing. */
export function oneOf<T>(rows: readonly T[], what: string): T {
  const row = rows[0];
  if (row === undefined) throw notFound(what);
  return row;
}
