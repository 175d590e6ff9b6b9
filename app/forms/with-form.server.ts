// A form with its file. One that is large goes to the disk as it comes and is read from there, a piece at a time; no more of it is ever in memory.
import { createWriteStream, openAsBlob } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import busboy from "busboy";

const MB = 1024 * 1024;

/** Up to here a form is taken in at once, and read twice, to look at its texts first. */
export const LARGEST_AT_ONCE = 4 * MB;

/** As all forms of ours name their fields. Names of the form libraries' own (`x[3]`, `a.b`, `__intent__`) make values of any size. */
export const FIELD_NAME = /^[A-Za-z0-9][\w-]{0,79}$/;

const MOST = { fields: 100, fieldSize: 64 * 1024, files: 4, parts: 104 };

/** Does something with a form; its files are there until that is done. Throws the answer (400, 413) to what is no form of ours. */
export async function withForm<Value>(
  request: Request,
  act: (form: FormData) => Promise<Value>,
): Promise<Value> {
  const length = Number(request.headers.get("content-length") ?? 0);
  if (length <= LARGEST_AT_ONCE || !request.body) return act(await request.formData());
  const folder = await mkdtemp(join(tmpdir(), "mossy-form-"));
  try {
    return await act(await readForm(request, folder));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function readForm(request: Request, folder: string): Promise<FormData> {
  const form = new FormData();
  const files: Promise<void>[] = [];
  let wrong: Response | undefined;
  const refuse = (status: number, why: string) => {
    wrong ??= new Response(why, { status });
  };
  const tooMany = () => refuse(413, "That form has more in it than any of ours.");
  const fits = (name: string | undefined, text = "") => {
    if (name === undefined || !FIELD_NAME.test(name))
      refuse(400, "The form has a field that none of ours has.");
    else if (text.includes("\0")) refuse(400, "A text in the form has the byte zero in it.");
    return wrong === undefined;
  };
  const reader = busboy({
    headers: Object.fromEntries(request.headers),
    limits: MOST,
    defParamCharset: "utf8",
  });
  reader.on("field", (name, value, { valueTruncated }) => {
    if (valueTruncated) tooMany();
    if (fits(name, value)) form.append(name, value);
  });
  reader.on("file", (name, content, { filename }) => {
    if (!fits(name, filename)) return content.resume();
    const path = join(folder, String(files.length));
    files.push(
      pipeline(content, createWriteStream(path)).then(async () => {
        form.append(name, await openAsBlob(path), filename ?? "");
      }),
    );
  });
  for (const limit of ["fieldsLimit", "filesLimit", "partsLimit"] as const) reader.on(limit, tooMany);
  const body = request.body as Parameters<typeof Readable.fromWeb>[0];
  await pipeline(Readable.fromWeb(body), reader).catch(() => refuse(400, "The form did not arrive whole."));
  await Promise.all(files).catch(() => refuse(400, "The form did not arrive whole."));
  if (wrong) throw wrong;
  return form;
}
