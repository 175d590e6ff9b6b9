// A computer's system as people type it, or as its own window says it: its name, its version and its word size in one text.
import { SYSTEMS, type System } from "../shapes.ts";

const WORD_SIZE =
  /[\s,;(/-]*(?<![\p{L}\d.])(?:(32|64)[\s-]?bits?|(x64|x86[_-]64|amd64|arm64|aarch64)|(x86|i[3-6]86))(?![\p{L}\d])\s*\)?/iu;

/** "10 (64-bit)", "11 x64": what is left of a text without its word size, and that. */
export function takeWordSize(text: string): { readonly rest: string; readonly bits?: 32 | 64 } {
  const found = WORD_SIZE.exec(text);
  if (!found) return { rest: text.trim() };
  const rest = `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}`;
  const clean = rest.replace(/\s+/g, " ").replace(/^[\s,;]+|[\s,;]+$/g, "");
  return { rest: clean, bits: found[1] === "32" || found[3] ? 32 : 64 };
}

/** "Windows 10, 64 bit": the system where it is named, its version, its word size where it is told. */
export function readSystem(text: string): {
  readonly system?: System;
  readonly version: string;
  readonly bits?: 32 | 64;
} {
  const { rest, bits } = takeWordSize(text.slice(0, 500));
  const [, word = ""] = /^(\p{L}+)(?=\s|$)/u.exec(rest) ?? [];
  const system = SYSTEMS.find((one) => one.toLowerCase() === word.toLowerCase());
  const version = (system ? rest.slice(word.length) : rest)
    .trim()
    .replace(/^(?:version|ver\.?)\s+(?=\d)/i, "");
  return { ...(system && { system }), version, ...(bits && { bits }) };
}
