export { chaptersFile, chaptersOf, vttTime, type Chapter, type PlayedSegment } from "./chapters";
