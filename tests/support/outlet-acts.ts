import type { Action } from "@/core/rights";
import { addOutlet, removeOutlet, switchOutlet } from "@/server/services/hour/outlets";
import type { TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";
import type { MadeEvent } from "./world";

const nobody = "00000000-0000-4000-8000-000000000000";

/** What is done with the places that an event's programme is sent to, each with the right that it needs. */
export function outletActs(
  get: () => { readonly context: Context; readonly about: MadeEvent },
): Readonly<Record<string, { needs: Action; call: (member: TeamMember) => Promise<unknown> }>> {
  const of =
    (run: (context: Context, member: TeamMember, eventId: string) => Promise<unknown>) => (member: TeamMember) => {
      const { context, about } = get();
      return run(context, member, about.eventId);
    };
  return {
    addOutletAction: { needs: "event.plan", call: of((c, m, id) => addOutlet(c, m, id, {})) },
    switchOutletAction: { needs: "event.plan", call: of((c, m, id) => switchOutlet(c, m, id, nobody, true)) },
    removeOutletAction: { needs: "event.plan", call: of((c, m, id) => removeOutlet(c, m, id, nobody)) },
  };
}
