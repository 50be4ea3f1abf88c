import { createHash } from "node:crypto";

/**
 * Invented sites and units of an invented workshop. Names the demo data by fixed ids, so that seeding twice adds
 * nothing.
 */
const NAMESPACE = "6f0c1c7e-52a4-4c9e-9a53-0f2f7a5d1c11";
export const DEMO_UNITS = [
  { key: "larch", site: "Larch Pass Hut", serial: "40177", machine: "quellmoor-sb-210" },
  { key: "saddle", site: "Grey Saddle cable-car station", serial: "40231", machine: "quellmoor-sb-210" },
  { key: "school", site: "Valley school kitchen", serial: "39862", machine: "quellmoor-sb-210" },
  { key: "hut-freezer", site: "Larch Pass Hut", serial: "BF-2217", machine: "firnau-bf-330" },
  { key: "hut-gas", site: "Upper Cairn Hut", serial: "60-1184", machine: "murgast-abs-60" },
  { key: "school-cooler", site: "Valley school kitchen", serial: "UC-0931", machine: "kaldruun-uc-80" },
  { key: "school-washer", site: "Valley school laundry", serial: "FL-5502", machine: "dornlau-fl-7" },
  { key: "school-dishes", site: "Valley school kitchen", serial: "DW-1276", machine: "velmoor-dw-45" },
  { key: "hut-dryer", site: "Upper Cairn Hut, boot room", serial: "CD-0418", machine: "brenzik-cd-30" },
  { key: "station-ice", site: "Grey Saddle cable-car station, bar", serial: "IM-3390", machine: "lawinor-im-90" },
  { key: "station-drinks", site: "Grey Saddle cable-car station, platform", serial: "DV-7745", machine: "obwart-dv-8" },
  { key: "station-belt", site: "Grey Saddle cable-car station, luggage", serial: "LC-0102", machine: "sellrun-lc-24" },
  { key: "hut-standby", site: "Larch Pass Hut, plant room", serial: "CO-0077", machine: "pfellmar-co-12" },
  { key: "station-winch", site: "Grey Saddle cable-car station, ramp", serial: "BW-0233", machine: "zirvald-bw-15" },
  { key: "shop-tool", site: "Workshop", serial: "FT-9081", machine: "tannrast-ft-20" },
  { key: "shop-stapler", site: "Workshop", serial: "SN-1846", machine: "grisselm-sn-18" },
  { key: "slope-panel", site: "Grey Saddle slope vehicle 2", serial: "IP-0015", machine: "hochkar-ip-4" },
  { key: "station-tickets", site: "Grey Saddle cable-car station, hall", serial: "TM-0311", machine: "perlgrund-tm-3" },
  { key: "tarn-fridge", site: "Tarn Hut", serial: "40355", machine: "quellmoor-sb-210" },
  { key: "ridge-fridge", site: "Ridge Lift, top station", serial: "40412", machine: "quellmoor-sb-210" },
  { key: "cairn-freezer", site: "Upper Cairn Hut", serial: "BF-2304", machine: "firnau-bf-330" },
  { key: "tarn-gas", site: "Tarn Hut", serial: "60-1207", machine: "murgast-abs-60" },
  { key: "ridge-cooler", site: "Ridge Lift, kiosk", serial: "UC-1012", machine: "kaldruun-uc-80" },
  { key: "mill-cooler", site: "Mill Meadow ski school", serial: "UC-1040", machine: "kaldruun-uc-80" },
  { key: "larch-washer", site: "Larch Pass Hut", serial: "FL-5611", machine: "dornlau-fl-7" },
  { key: "mill-washer", site: "Mill Meadow ski school", serial: "FL-5620", machine: "dornlau-fl-7" },
  { key: "station-dishes", site: "Grey Saddle cable-car station", serial: "DW-1301", machine: "velmoor-dw-45" },
  { key: "cairn-dishes", site: "Upper Cairn Hut", serial: "DW-1333", machine: "velmoor-dw-45" },
  { key: "tarn-dryer", site: "Tarn Hut", serial: "CD-0502", machine: "brenzik-cd-30" },
  { key: "ridge-ice", site: "Ridge Lift, top station", serial: "IM-3444", machine: "lawinor-im-90" },
  { key: "school-drinks", site: "Valley school hall", serial: "DV-7810", machine: "obwart-dv-8" },
  { key: "depot-belt", site: "Valley goods depot", serial: "LC-0110", machine: "sellrun-lc-24" },
  { key: "tarn-standby", site: "Tarn Hut", serial: "CO-0081", machine: "pfellmar-co-12" },
  { key: "depot-winch", site: "Valley goods depot", serial: "BW-0240", machine: "zirvald-bw-15" },
  { key: "slope-panel-2", site: "Grey Saddle slope vehicle 3", serial: "IP-0019", machine: "hochkar-ip-4" },
  { key: "ridge-tickets", site: "Ridge Lift, valley station", serial: "TM-0325", machine: "perlgrund-tm-3" },
  { key: "mill-boots", site: "Mill Meadow ski school", serial: "BD-0071", machine: "gratlosch-bd-5" },
  { key: "cairn-kettle", site: "Upper Cairn Hut", serial: "HD-0233", machine: "tromblin-hd-4" },
  { key: "school-kitchen", site: "Valley school kitchen", serial: "TK-0052", machine: "kolbrast-tk-2" },
  { key: "depot-tower", site: "Valley goods depot", serial: "CT-0016", machine: "ramsgrat-ct-60" },
] as const;

/** An id that is the same for the same key: version 5 of RFC 9562, in our namespace. */
export function idOf(key: string): string {
  const bytes = createHash("sha1")
    .update(Buffer.from(NAMESPACE.replaceAll("-", ""), "hex"))
    .update(key)
    .digest();
  bytes[6] = (bytes[6]! & 0x0f) | 0x50;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = bytes.toString("hex");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20, 32)].join("-");
}
