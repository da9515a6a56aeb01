import { board } from "./board";
import { captions } from "./captions";
import { channels } from "./channels";
import { chat } from "./chat";
import { cues } from "./cues";
import { files } from "./files";
import { floor } from "./floor";
import { help } from "./help";
import { hour } from "./hour";
import { look } from "./look";
import { page } from "./page";
import { polls } from "./polls";
import { programme } from "./programme";
import { questions } from "./questions";
import { recording } from "./recording";
import { scenes } from "./scenes";
import { sideRooms } from "./side-rooms";
import { signals } from "./signals";
import { slides } from "./slides";
import { stage } from "./stage";
import { tray } from "./tray";

/** The one list of what the hour can do. Another capability is another line here. */
export const capabilities = {
  hour,
  stage,
  floor,
  cues,
  questions,
  polls,
  chat,
  signals,
  tray,
  slides,
  board,
  files,
  scenes,
  captions,
  channels,
  sideRooms,
  look,
  page,
  help,
  programme,
  recording,
} as const;

export type Capabilities = typeof capabilities;
export type CapabilityName = keyof Capabilities;
