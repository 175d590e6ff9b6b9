// Forms with files: a large one is on the disk while it is worked with and gone afterwards; what is no form of ours is refused.
import { createHash, randomBytes } from "node:crypto";
import { mkdtempSync, readdirSync, rmdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { LARGEST_AT_ONCE, withForm } from "./with-form.server.ts";

// A folder for temporary files that nobody else writes to.
const own = mkdtempSync(join(tmpdir(), "forms-"));
beforeAll(() => {
  vi.stubEnv("TMPDIR", own);
});
afterAll(() => {
  vi.unstubAllEnvs();
  rmdirSync(own);
});

const folders = () => readdirSync(tmpdir()).filter((name) => name.startsWith("mossy-form-"));
const sum = (bytes: Uint8Array) => createHash("sha256").update(bytes).digest("hex");

/** As a browser sends it, in pieces of an odd size. */
async function sent(form: FormData, cut = (bytes: Uint8Array) => bytes): Promise<Request> {
  const whole = new Response(form);
  const bytes = cut(new Uint8Array(await whole.arrayBuffer()));
  let at = 0;
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      if (at >= bytes.length) return controller.close();
      controller.enqueue(bytes.slice(at, at + 40_001));
      at += 40_001;
    },
  });
  const init: RequestInit & { duplex: "half" } = {
    method: "POST",
    body,
    duplex: "half",
    headers: { "content-type": whole.headers.get("content-type") ?? "", "content-length": `${bytes.length}` },
  };
  return new Request("http://127.0.0.1/bench/1", init);
}

function formWith(size: number, fields: Record<string, string> = {}) {
  const bytes = randomBytes(size);
  const form = new FormData();
  form.append("intent", "backup");
  form.append("file", new Blob([bytes]), "Wicket’s channels.bin");
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  return { bytes, form };
}

const refusal = async (request: Request) =>
  withForm(request, async () => "taken").catch((thrown) => (thrown as Response).status);

describe("a form with a file", () => {
  it.each([1000, LARGEST_AT_ONCE + 123_457])(
    "of %i bytes has its fields, its name and its bytes",
    async (size) => {
      const { bytes, form } = formWith(size, { after: "the file" });
      const during = await withForm(await sent(form), async (read) => {
        const file = read.get("file") as File;
        const piece = new Uint8Array(await file.slice(500, 900).arrayBuffer());
        return {
          intent: read.get("intent"),
          after: read.get("after"),
          name: file.name,
          size: file.size,
          sum: sum(new Uint8Array(await file.arrayBuffer())),
          piece: sum(piece),
          folders: folders().length,
        };
      });
      expect(during).toMatchObject({
        intent: "backup",
        after: "the file",
        name: "Wicket’s channels.bin",
        size,
        sum: sum(bytes),
        piece: sum(bytes.subarray(500, 900)),
      });
      expect(during.folders).toBe(size > LARGEST_AT_ONCE ? 1 : 0);
      expect(folders()).toEqual([]);
    },
  );

  it("leaves nothing behind when what is done with it fails", async () => {
    const request = await sent(formWith(LARGEST_AT_ONCE + 1).form);
    await expect(withForm(request, () => Promise.reject(new Error("no")))).rejects.toThrow("no");
    expect(folders()).toEqual([]);
  });

  it("is refused when it broke off, has a strange field, the byte zero, too long a text or too many fields", async () => {
    const large = LARGEST_AT_ONCE + 1;
    expect(await refusal(await sent(formWith(large).form))).toBe("taken");
    expect(await refusal(await sent(formWith(large).form, (bytes) => bytes.slice(0, -30)))).toBe(400);
    expect(await refusal(await sent(formWith(large, { "x[3]": "1" }).form))).toBe(400);
    expect(await refusal(await sent(formWith(large, { note: "a\0b" }).form))).toBe(400);
    expect(await refusal(await sent(formWith(large, { note: "a".repeat(70_000) }).form))).toBe(413);
    const many = Object.fromEntries(Array.from({ length: 101 }, (_, i) => [`f${i}`, "1"]));
    expect(await refusal(await sent(formWith(large, many).form))).toBe(413);
    expect(folders()).toEqual([]);
  });
});
