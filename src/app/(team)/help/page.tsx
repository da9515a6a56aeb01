import { Table } from "@/ui";
import { houseTable, type Permission } from "@/core/people";
import { permissionTable } from "@/core/rights";
import { dutyWords, roleWords } from "@/features/shared/role-words";
import { TeamBar } from "@/features/shared/team-bar";
import { pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Who may do what" };

/** The permission table itself, printed: nothing else decides. */
export default async function HelpPage() {
  await pageMember();
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-5xl px-6 py-5">
        <h1 className="border-b-2 border-ink pb-2 text-title leading-tight font-semibold">Help</h1>
        <Table className="mt-3 w-full text-left">
          <thead className="text-label text-ink-2">
            <tr>
              <th className="py-1 font-medium">Act</th>
              <th className="font-medium">Who</th>
              <th className="font-medium">Crew need the duty</th>
              <th className="font-medium">While the date is</th>
            </tr>
          </thead>
          <tbody>
            {Object.entries(permissionTable as Record<string, Permission>).map(([action, rule]) => (
              <tr key={action} className="border-t border-rule align-top">
                <td className="mono py-1.5">{action}</td>
                <td>{rule.roles.map((role) => roleWords[role]).join(", ")}</td>
                <td className="text-ink-2">{rule.duty ? dutyWords[rule.duty] : ""}</td>
                <td className="text-ink-2">{rule.phases === "any" ? "anything" : rule.phases.join(", ")}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        <h2 className="mt-8 text-head font-semibold">In the organisation, whatever the event</h2>
        <Table className="mt-2 w-full text-left">
          <tbody>
            {Object.entries(houseTable).map(([action, standings]) => (
              <tr key={action} className="border-t border-rule">
                <td className="mono w-1/3 py-1.5">{action}</td>
                <td>{standings.join(", ")}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </main>
    </>
  );
}
