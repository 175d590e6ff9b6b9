// A failure told to the person at the terminal: one plain sentence and a way on, no stack trace.
export class PlainFailure extends Error {
  override readonly name = "PlainFailure";
}

/** Words for the failures that a full disk or missing rights cause anywhere. */
export function plainly(error: unknown): string {
  if (error instanceof PlainFailure) return error.message;
  const text =
    error instanceof Error
      ? `${error.message}\n${"stderr" in error ? String(error.stderr) : ""}`
      : String(error);
  if (/ENOSPC|No space left on device|disk full/i.test(text)) {
    return "The disk is full. Make some room (a few hundred megabytes) and start again; nothing is lost.";
  }
  if (/EACCES|EROFS|Permission denied/i.test(text)) {
    return `A file or folder may not be written: ${text.split("\n")[0]}. Give yourself the rights to this folder and start again.`;
  }
  return text.trim();
}

export async function orExit(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    console.error(`\n${plainly(error)}`);
    if (process.env.MOSSY_DEBUG) console.error(error);
    process.exit(1);
  }
}
