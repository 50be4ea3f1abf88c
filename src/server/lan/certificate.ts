import { X509Certificate } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { hostname, networkInterfaces } from "node:os";
import path from "node:path";
import { generate } from "selfsigned";

export interface Certificate {
  readonly key: string;
  readonly cert: string;
  /** SHA-256 of the certificate, as browsers show it. */
  readonly fingerprint: string;
}

const DAY = 86_400_000;

/** Addresses of this machine in its networks; the loopback is not among them. */
export function lanAddresses(): readonly string[] {
  return Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).filter((a) => a.family === "IPv4" && !a.internal).map((a) => a.address),
  );
}

/**
 * A certificate for these addresses, made on the spot, and kept in `folder` for as long as it fits: a device that
 * trusts it once need not be asked each day.
 */
export async function certificateFor(addresses: readonly string[], folder: string, now: Date): Promise<Certificate> {
  const [keyFile, certFile] = [path.join(folder, "key.pem"), path.join(folder, "cert.pem")];
  const kept = read(keyFile, certFile);
  if (kept && fits(kept.cert, addresses, now))
    return { ...kept, fingerprint: new X509Certificate(kept.cert).fingerprint256 };
  const made = await generate([{ name: "commonName", value: "Unzo workshop" }], {
    keyType: "ec",
    curve: "P-256",
    algorithm: "sha256",
    notBeforeDate: new Date(now.getTime() - DAY),
    notAfterDate: new Date(now.getTime() + 180 * DAY),
    extensions: [
      { name: "basicConstraints", cA: false, critical: true },
      { name: "keyUsage", digitalSignature: true, critical: true },
      { name: "extKeyUsage", serverAuth: true },
      {
        name: "subjectAltName",
        altNames: [
          { type: 2, value: "localhost" },
          { type: 2, value: hostname() },
          ...["127.0.0.1", ...addresses].map((ip) => ({ type: 7 as const, ip })),
        ],
      },
    ],
  });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(keyFile, made.private, { mode: 0o600 });
  writeFileSync(certFile, made.cert);
  return { key: made.private, cert: made.cert, fingerprint: new X509Certificate(made.cert).fingerprint256 };
}

function read(keyFile: string, certFile: string): { key: string; cert: string } | null {
  try {
    return { key: readFileSync(keyFile, "utf8"), cert: readFileSync(certFile, "utf8") };
  } catch {
    return null;
  }
}

function fits(cert: string, addresses: readonly string[], now: Date): boolean {
  try {
    const x509 = new X509Certificate(cert);
    return (
      new Date(x509.validTo).getTime() > now.getTime() + 7 * DAY &&
      addresses.every((ip) => x509.checkIP(ip) !== undefined)
    );
  } catch {
    return false;
  }
}
