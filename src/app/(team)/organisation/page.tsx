import { standingMay } from "@/core/people";
import { BoardList } from "@/features/boards/board-list";
import { LicencesForm } from "@/features/organisation/licences-form";
import { RecordStoreForm } from "@/features/organisation/record-store-form";
import { RulesForm } from "@/features/organisation/rules-form";
import { SeatRequests } from "@/features/organisation/seat-requests";
import { TeamList } from "@/features/organisation/team-list";
import { TemplateList } from "@/features/organisation/template-list";
import { TeamBar } from "@/features/shared/team-bar";
import { durationWords } from "@/core/time";
import { recordStoreOf } from "@/server/services/afterwards/record-store";
import { boardsOf } from "@/server/services/afterwards/boards";
import { seatRequestsOf } from "@/server/services/planning/seat-requests";
import { house } from "@/server/services/organisation/licences";
import { teamOf } from "@/server/services/organisation/team";
import { openInvitations } from "@/server/services/organisation/team-invitations";
import { templatesOf } from "@/server/services/planning/templates";
import { pageMember } from "../../_lib/request";
import {
  decideSeatsAction,
  deleteTemplateAction,
  makeBoardAction,
  removeBoardAction,
  renameTemplateAction,
  saveLicencesAction,
  saveRecordStoreAction,
  saveRulesAction,
} from "../house-actions";
import { inviteMemberAction, removeMemberAction, setStandingAction, withdrawInvitationAction } from "./team-actions";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Organisation" };

export default async function OrganisationPage() {
  const { context, member } = await pageMember();
  const mayEditTeam = standingMay(member.standing, "team.edit");
  const [own, boards, requests, templates, team, store, invitations] = await Promise.all([
    house(context, member),
    boardsOf(context, member),
    seatRequestsOf(context, member),
    templatesOf(context, member),
    teamOf(context, member),
    recordStoreOf(context, member),
    mayEditTeam ? openInvitations(context, member) : [],
  ]);
  const lines = templates.map((one) => ({
    id: one.id,
    name: one.name,
    facts: `${durationWords(one.plan.durationMinutes)} · ${one.segments} ${one.segments === 1 ? "segment" : "segments"} · ${one.polls} ${one.polls === 1 ? "poll" : "polls"}`,
  }));
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-5">
        <header className="mb-5 border-b-2 border-ink pb-2">
          <h1 className="text-title leading-tight font-semibold">Organisation</h1>
          <p className="text-ink-2">{own.name}</p>
        </header>
        <div className="grid grid-cols-1 gap-x-12 gap-y-8 lg:grid-cols-[1.2fr_1fr]">
          <div className="flex flex-col gap-8">
            <TeamList
              team={team}
              invitations={invitations}
              mayEdit={mayEditTeam}
              zone={own.zone}
              acts={{
                invite: inviteMemberAction,
                withdraw: withdrawInvitationAction,
                setStanding: setStandingAction,
                remove: removeMemberAction,
              }}
            />
            <LicencesForm initial={own.licences} mayEdit={own.mayEdit} save={saveLicencesAction} />
            <SeatRequests requests={requests} mayDecide={own.mayEdit} decide={decideSeatsAction} />
            <BoardList
              boards={boards}
              mayEdit={standingMay(member.standing, "boards.edit")}
              make={makeBoardAction}
              remove={removeBoardAction}
            />
            <TemplateList
              templates={lines}
              mayEdit={member.standing !== "crew"}
              acts={{ rename: renameTemplateAction, remove: deleteTemplateAction }}
            />
            {own.mayEdit && <RecordStoreForm store={store} save={saveRecordStoreAction} />}
          </div>
          <RulesForm initial={own.rules} mayEdit={own.mayEdit} save={saveRulesAction} />
        </div>
      </main>
    </>
  );
}
