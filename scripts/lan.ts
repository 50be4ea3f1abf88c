// Serves Unzo to the workshop network: TLS in front of the application on the loopback, one pairing word a device.
import path from "node:path";
import qrcode from "qrcode";
import { certificateFor, lanAddresses } from "../src/server/lan/certificate";
import { createGate } from "../src/server/lan/gate";
import { Pairing } from "../src/server/lan/pairing";

const [target, portText] = process.argv.slice(2);
const port = Number(portText);
const folder = path.join(process.env.UNZO_DATA ?? ".unzo", "lan");

async function main(): Promise<void> {
  const addresses = lanAddresses();
  const certificate = await certificateFor(addresses, folder, new Date());
  const address = `https://${addresses[0] ?? "127.0.0.1"}:${port}`;
  const show = async (word: string) => {
    const code = await qrcode.toString(`${address}/pair#${word}`, { type: "terminal", small: true });
    process.stdout.write(
      `\n${code}\n  ${addresses.length > 0 ? addresses.map((a) => `https://${a}:${port}`).join("  ") : address}\n  Pairing word, for one device: ${word}\n  The browser warns, because the certificate was made here. Its SHA-256 begins ${certificate.fingerprint.slice(0, 23)}\n\n`,
    );
  };
  const pairing = new Pairing((word) => void show(word));
  const gate = createGate(certificate, target!, pairing, Date.now, addresses);
  gate.on("error", (error: NodeJS.ErrnoException) => {
    process.stderr.write(
      error.code === "EADDRINUSE"
        ? `Port ${port} is in use. Take another: LAN_PORT=4744 npm run demo -- --lan\n`
        : `${error.message}\n`,
    );
    process.exit(1);
  });
  gate.listen(port, "0.0.0.0", () => void show(pairing.word));
}

void main();
