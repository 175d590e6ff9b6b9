// Whether a file is the right one, told by its content before it goes onto a radio. This is the room’s door: others import from here alone.

export {
  type CheckedFile,
  type CheckProblem,
  checkFile,
  type KnownFile,
  type KnownFiles,
  LARGEST_CHECKED,
} from "./check-file.ts";
