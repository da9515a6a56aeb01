import { Refusal } from "@/core/shared";
import { outcomeOf, Together, type Outcome } from "../../platform/together";
import type { Context } from "../ground/context";
import { countTriesOfMany } from "../ground/tries";
import type { Pass } from "./door-rule";
import { doorStep, organisationFor, type DoorStep } from "./front-door";
import { readRegistration, registrationTries } from "./registration";
import { takePlaces, type ReadRegistration } from "./take-places";
import { inviteeOf } from "./tickets";
import { firstTags } from "./visits";

/** One press of the public form: which page of which house, by what right, and what was typed. */
export interface FormSent {
  readonly host: string;
  readonly slug: string;
  /** the proof of the page's access code, where this browser has one */
  readonly passCookie: string | null;
  readonly invitedBy: string | null;
  readonly dateId: string | null;
  readonly input: unknown;
  readonly remote: string;
  /** the browser's own name, by which the visit is found that began it */
  readonly agent: string;
}

/**
 * Registrations of one process. A thousand people press the button in the same minute: what comes while some are
 * being written is gathered and written with the next, so that the date's places are held a few times a second,
 * not once for each. Whoever comes when some seconds' worth wait already is told "one moment", and their page goes
 * on by itself.
 */
export class Registrar {
  private readonly together: Together<FormSent, void>;

  constructor(private readonly context: Context) {
    this.together = new Together((sent) => this.write(sent), { atOnce: 100, waiting: 500 });
  }

  /** @throws every refusal of the door, the form and the limits; `busy` where too many wait */
  register(sent: FormSent): Promise<void> {
    return this.together.run(sent);
  }

  private async write(sent: readonly FormSent[]): Promise<readonly Outcome<void>[]> {
    const doors = new DoorsAskedFor(this.context);
    const read = await Promise.all(sent.map((one) => outcomeOf(() => doors.read(one))));
    const open = read.flatMap((one, i) => (one.ok ? [{ i, read: one.value }] : []));
    const refusals = await countTriesOfMany(
      this.context,
      open.map(({ i, read: one }) => registrationTries(one.event.id, one.input.email, sent[i]!.remote)),
    );
    const out: Outcome<void>[] = read.map((one) => (one.ok ? { ok: true, value: undefined } : one));
    const welcome: { readonly sent: FormSent; readonly read: ReadRegistration }[] = [];
    open.forEach((one, at) => {
      const refusal = refusals[at];
      if (refusal) out[one.i] = { ok: false, error: refusal };
      else welcome.push({ sent: sent[one.i]!, read: one.read });
    });
    if (welcome.length > 0) await takePlaces(this.context, await this.withSources(welcome));
    return out;
  }

  /** The source kept at registration is the tag of the day's first visit, else that of the page itself (rule 29). */
  private async withSources(
    welcome: readonly { readonly sent: FormSent; readonly read: ReadRegistration }[],
  ): Promise<readonly ReadRegistration[]> {
    const tags = await firstTags(
      this.context,
      welcome.map(({ sent: { remote, agent }, read }) => ({ eventId: read.event.id, remote, agent })),
    );
    return welcome.map(({ read }, i) => ({ ...read, input: { ...read.input, source: tags[i] ?? read.input.source } }));
  }
}

/** The pages that one batch of forms is about: each is read once, however many stand before it. */
class DoorsAskedFor {
  private readonly doors = new Map<string, Promise<DoorStep>>();
  constructor(private readonly context: Context) {}

  async read(sent: FormSent): Promise<ReadRegistration> {
    const key = JSON.stringify([sent.host, sent.slug, sent.passCookie, sent.invitedBy, sent.dateId]);
    const door = this.doors.get(key) ?? openDoor(this.context, sent);
    this.doors.set(key, door);
    return readRegistration(this.context, await door, sent.input);
  }
}

/** The open page that somebody registers at; an invitation that is none opens nothing. */
export async function openDoor(
  context: Context,
  {
    host,
    slug,
    passCookie,
    invitedBy,
    dateId,
  }: Pick<FormSent, "host" | "slug" | "passCookie" | "invitedBy" | "dateId">,
): Promise<DoorStep> {
  const pass: Pass = { cookie: passCookie, isInvited: invitedBy !== null };
  const step = await doorStep(context, await organisationFor(context.db, host), slug, pass, dateId);
  if (!step) throw new Refusal({ code: "not-found", what: "event" });
  const { event } = step;
  if (event.isPrivate && invitedBy !== null && (await inviteeOf(context, event.id, invitedBy)) === null) {
    throw new Refusal({ code: "not-found", what: "event" });
  }
  return step;
}
