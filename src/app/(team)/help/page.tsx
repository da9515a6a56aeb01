import { houseTable, type HouseAction, type Permission, type Phase, type Role } from "@/core/people";
import { permissionTable, type Action } from "@/core/rights";
import { actionWords, houseActionWords, partWords } from "@/features/help/action-words";
import { HelpSearch, type MatrixRow } from "@/features/help/help-search";
import { dutyWords, phaseWords, roleWords } from "@/features/shared/role-words";
import { TeamBar } from "@/features/shared/team-bar";
import { pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Help" };

const columns = ["Producer", "Crew", "Panelist", "Interpreter", "Captioner", "Attendee"];
const whenWords = (phases: "any" | readonly Phase[]): string =>
  phases === "any" ? "anything" : phases.map((phase) => phaseWords[phase].toLowerCase()).join(", ");

function matrix(): MatrixRow[] {
  const ofEvents = (Object.entries(permissionTable) as [Action, Permission][]).map(([action, rule]) => ({
    part: partWords[action.split(".")[0]!] ?? "",
    words: actionWords[action],
    who: rule.roles.map((role: Role) => roleWords[role]),
    duty: rule.duty ? dutyWords[rule.duty] : null,
    when: whenWords(rule.phases),
  }));
  const ofOrganisation = (Object.entries(houseTable) as [HouseAction, readonly string[]][]).map(([action, who]) => ({
    part: "Organisation, whatever the event",
    words: houseActionWords[action],
    who: who.map((one) => (one === "owner" ? "Owner" : one === "crew" ? "Crew" : "Producer")),
    duty: null,
    when: "anything",
  }));
  return [...ofEvents, ...ofOrganisation.map((row) => ({ ...row, words: `${row.words} (${row.who.join(", ")})` }))];
}

/** Quick start, the product's words, and the permission table, all searchable. */
export default async function HelpPage() {
  await pageMember();
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-4">
        <h1 className="mb-3 text-title leading-tight font-semibold">Help</h1>
        <HelpSearch matrix={matrix()} columns={columns} />
      </main>
    </>
  );
}
