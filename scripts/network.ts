// Where ./start serves, and what it says of that at the terminal: the address, a picture of it for a phone, and what is open to whom.
import { randomInt } from "node:crypto";
import fs from "node:fs";
import { isIP } from "node:net";
import os from "node:os";
import qr from "qrcode";
import { PlainFailure } from "./plain.ts";

export type Network = {
  readonly host?: string;
  readonly names: readonly string[];
  readonly proxies: readonly string[];
  readonly tls?: { readonly cert: string; readonly key: string };
  /** Others than this machine can reach it. */
  readonly open: boolean;
};

/** The addresses of this machine in the networks it is in. */
export const ownAddresses = (): string[] =>
  Object.values(os.networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((one) => !one.internal && one.family === "IPv4").map((one) => one.address),
  );

type Options = {
  readonly host?: string | undefined;
  readonly name?: readonly string[] | undefined;
  readonly proxy?: readonly string[] | undefined;
  readonly "tls-cert"?: string | undefined;
  readonly "tls-key"?: string | undefined;
};

const isLoopback = (host: string): boolean => /^127\.|^::1$|^localhost$/.test(host);

/** What the options say of the network; a plain failure where they do not go together. */
export function readNetwork(options: Options): Network {
  const { host, name = [], proxy = [] } = options;
  if (host !== undefined && isIP(host) === 0)
    throw new PlainFailure(
      `--host takes an address such as ${ownAddresses()[0] ?? "192.0.2.7"}, not ${host}.`,
    );
  const wrong = name.find((one) => !/^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/i.test(one));
  if (wrong !== undefined)
    throw new PlainFailure(`--name takes a name alone, such as cabinet.example, not ${wrong}.`);
  for (const one of proxy)
    if (isIP(one.split("/")[0] ?? "") === 0)
      throw new PlainFailure(`--proxy takes the address of the proxy, such as 127.0.0.1, not ${one}.`);
  const tls = readTls(options["tls-cert"], options["tls-key"]);
  const anywhere = host === "0.0.0.0" || host === "::";
  return {
    ...(host && { host }),
    names: [...name, ...(anywhere ? ownAddresses() : [])],
    proxies: proxy,
    ...(tls && { tls }),
    open: proxy.length > 0 || (host !== undefined && !isLoopback(host)),
  };
}

function readTls(cert: string | undefined, key: string | undefined): Network["tls"] | undefined {
  if (!cert && !key) return undefined;
  if (!cert || !key) throw new PlainFailure("--tls-cert and --tls-key go together.");
  const read = (file: string) => {
    try {
      return fs.readFileSync(file, "utf8");
    } catch {
      throw new PlainFailure(`${file} cannot be read.`);
    }
  };
  return { cert: read(cert), key: read(key) };
}

/** A code that can be read off a terminal and typed: no signs that look alike. */
export function firstCode(): string {
  const signs = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
  const four = () => Array.from({ length: 4 }, () => signs[randomInt(signs.length)]).join("");
  return `${four()}-${four()}-${four()}`;
}

/** The address to give to a phone: a name, if it has one, else what it listens on. */
export function addressOf(port: number, { host, names, tls }: Network): string {
  const scheme = tls ? "https" : "http";
  const anywhere = host === undefined || host === "0.0.0.0" || host === "::";
  const name = names[0] ?? (anywhere ? "127.0.0.1" : host.includes(":") ? `[${host}]` : host);
  return `${scheme}://${name}:${port}`;
}

/** What is said at the terminal once it serves. */
export async function greeting(
  port: number,
  network: Network,
  { code, demo }: { readonly code: string | undefined; readonly demo: boolean },
): Promise<string[]> {
  const address = addressOf(port, network);
  const lines = [`\nMossy Cabinet is at ${address}`];
  if (!network.open) return lines;
  if (network.proxies.length === 0) lines.push(await qr.toString(address, { type: "utf8", margin: 2 }));
  lines.push(
    "Open to whoever reaches this address: the sign-in page, and links that a keeper made. All else asks for a sign-in.",
  );
  if (network.proxies.length > 0)
    lines.push(`Behind ${network.proxies.join(", ")}: what it says of address, name and https is believed.`);
  else if (!network.tls)
    lines.push(
      "Without TLS: whoever can listen in this network can read passwords and take over sessions. In a network of your own that may",
      "do; else give it a certificate (--tls-cert, --tls-key) or put it behind a proxy that has one. See docs/hosting.md.",
    );
  if (demo)
    lines.push(
      "This is the demo club: its passwords are known to everybody. Keep no records of your own in it.",
    );
  if (code)
    lines.push(`There is no club yet. The first keeper is made at ${address}/first with this code: ${code}`);
  return lines;
}
