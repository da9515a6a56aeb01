import { longChatBench } from "./chat";
import { attendanceBench } from "./attendance";
import { boardsBench } from "./boards";
import { cachedBench } from "./cached";
import { decksBench } from "./decks";
import { frontDoorBench } from "./front-door";
import { largeRoomBench } from "./large-room";
import { broadcastBench } from "./live";
import { livelyBench } from "./lively";
import { sideRoomsBench, slidesBench } from "./material";
import { messageBench } from "./message";
import { lensBench, suspendedBench, weakLineBench } from "./lens";
import { onDemandBench, programmeBench } from "./media";
import { peopleListBench } from "./people-list";
import { planningBench } from "./planning";
import { recordingsBench } from "./recordings";
import { registrationsBench } from "./registrations";
import { reportBench } from "./report";
import { wayInBenches } from "./way-in";

const benches: Readonly<Record<string, () => Promise<void> | void>> = {
  attendance: attendanceBench,
  planning: planningBench,
  decks: decksBench,
  boards: boardsBench,
  slides: slidesBench,
  recordings: recordingsBench,
  programme: programmeBench,
  "programme-cached": cachedBench,
  lens: lensBench,
  suspended: suspendedBench,
  "weak-line": weakLineBench,
  "on-demand": onDemandBench,
  "side-rooms": sideRoomsBench,
  "front-door": frontDoorBench,
  registrations: registrationsBench,
  ...wayInBenches,
  "large-room": largeRoomBench,
  message: async () => {
    await messageBench(2000);
    await messageBench(5000);
  },
  "live-2000": () => broadcastBench(2000),
  lively: livelyBench,
  "people-list": peopleListBench,
  "long-chat": longChatBench,
  report: reportBench,
  "live-5000": () => broadcastBench(5000),
};

// npm run bench -- NAME…: those alone
const wanted = process.argv.slice(2);
for (const [name, bench] of Object.entries(benches)) if (wanted.length === 0 || wanted.includes(name)) await bench();
process.exit(0);
