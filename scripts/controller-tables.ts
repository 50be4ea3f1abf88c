// Writes tests/outside/dialogues.json: for units with a known fault, setup by setup, which outputs each controller has
// on and what its display shows, as the control program of the file says. The circuit around it is not used by the
// tests: there a circuit simulator has its own. Read what it writes before it is committed.
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { readMachineYaml } from "../src/core/model";
import { dialogueOf } from "../tests/outside/controller-table";

const FAULTS: Readonly<Record<string, string>> = {
  "brenzik-cd-30":
    "KH:contact-open motor:open limit:open T1:primary-open door:stuck-open KT:welded motor:seized U1:turn-off igniter:open drum:drags",
  "dornlau-fl-7":
    "Z1:line-open lock:coil-open KL:contact-open panel:dead pump:open X5-1:open U1:fill-off valve:stuck-shut motor:brushes-worn water:stuck-closed X3-3:open PS:no-bulk",
  "firnau-bf-330":
    "compressor:locked K1:welded sensor:open heater:open panel:dead F1:blown sensor:drifted K2:contact-open heater:to-case J2-1:open fan:seized PS1:inrush-open PS1:start-open PS1:chip-dead PS1:bridge-open Q1:open K1-joint:open K1:contact-open U1:cool-off PS1:filter-dry PS1:bulk-dry PS1:rectifier-short U2:dead Q2:open",
  "gratlosch-bd-5":
    "CR:open KU:contact-open motor:start-open key-up:stuck-open T1:primary-open CR:weak KD:welded edge:stuck-open F1:blown B-1:open motor:seized arm-up:drags",
  "grisselm-sn-18": "F1:blown trigger:stuck-open nose-sw:stuck-open Q1:open motor:open R1:open C-2:open pack:open",
  "hochkar-ip-4": "F1:blown Q1:open sender:open WG:open RW:open KW:coil-open V-1:open alternator:dead",
  "kaldruun-uc-80": "PS:dead compressor:open K1:coil-open sensor:open compressor:to-case heater:open K2:coil-open",
  "kolbrast-tk-2":
    "limit:open fan:open KH:coil-open door-sw:stuck-open PTC1:open PTC2:open dial:wiper-open duct:open U1:latch-off KF:welded",
  "lawinor-im-90":
    "valve:open K2:welded bin:stuck-open pump:open T1:secondary-open compressor:locked evap:open F1:blown PTS:open compressor:start-open",
  "murgast-abs-60":
    "FD:blown cut-reset:open display:dead HA:open KD:contact-open sensor:open HD:open FA:blown J2-2:open",
  "obwart-dv-8":
    "compressor:open KC:contact-open M1:open sensor:open display:dead fan:seized U1:vend1-off T1:primary-open F1:blown E-1:open",
  "perlgrund-tm-3":
    "H-1:open H-3:resistive UD:dead UB2:dead screen:dead motor:open UC2:dead L-1:open PS:dead UB:answer-off",
  "pfellmar-co-12": "battery:flat KS:coil-open CU:contact-open KF:contact-open clock:flat",
  "quellmoor-sb-210":
    "H1-1:open panel:dead PS1:dead fan:open heater:open sensor:short compressor:open J1-1:open K1:coil-open",
  "ramsgrat-ct-60":
    "panel:dead booster:open boost-limit:open KB-joint:open wash:jammed G-3:open U4:dead detergent:open float:stuck-closed A-2:open",
  "sellrun-lc-24":
    "PS:dead F1:blown motor:open guard:stuck-open DR:dead barrier:stays-on start:stuck-open motor:brushes-worn E-1:open belt:drags motor:seized",
  "tannrast-ft-20":
    "TF:open trigger:stuck-open motor:open hall:stays-off Q1:shorted pack:open nose-sw:stuck-open U2:dead",
  "tromblin-hd-4":
    "TP:open sensor:open limit:open coffee:open F1:blown TH:shorted Q1:shorted pump:open RI:open brew:stuck-open PS:no-bulk",
  "velmoor-dw-45":
    "panel:dead heater:open KH-joint:open wash:open float:stuck-open drain:jammed sensor:open A-1:open KF:contact-open",
  "zirvald-bw-15": "DR:dead motor:open W1:open speed:wiper-open F1:blown KC:coil-open trigger:stuck-open",
};
const folder = new URL("../machines/", import.meta.url);
const dialogues = readdirSync(folder)
  .filter((name) => name.endsWith(".yaml"))
  .flatMap((name) => {
    const { machine } = readMachineYaml(readFileSync(new URL(name, folder), "utf8"), name);
    return FAULTS[machine.file.id]!.split(" ").map((fault) => dialogueOf(machine, fault));
  });
writeFileSync(
  new URL("../tests/outside/dialogues.json", import.meta.url),
  `[\n${dialogues.map((d) => JSON.stringify(d)).join(",\n")}\n]\n`,
);
