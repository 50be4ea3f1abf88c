import { absorption } from "./absorption";
import { batteryTool } from "./battery-tool";
import { changeoverSet } from "./changeover-set";
import { cooker } from "./cooker";
import { dcDrive } from "./dc-drive";
import { dishwasher } from "./dishwasher";
import { electricDryer, gasDryer, heatPumpDryer } from "./dryers";
import type { Family } from "./family";
import { heatedDispenser } from "./heated-dispenser";
import { iceMachine } from "./ice-machine";
import { refrigerator } from "./refrigerator";
import { vendingMachine } from "./vending-machine";
import { washer } from "./washer";

/** Every family of machines that a file can be made of, in the order in which they are offered. */
export const KNOWN_FAMILIES: readonly Family[] = [
  refrigerator,
  absorption,
  washer,
  dishwasher,
  electricDryer,
  gasDryer,
  heatPumpDryer,
  iceMachine,
  vendingMachine,
  heatedDispenser,
  cooker,
  dcDrive,
  changeoverSet,
  batteryTool,
];

/** A family by its id. Throws a RangeError for one that is not known. */
export function familyOf(id: string): Family {
  const family = KNOWN_FAMILIES.find((f) => f.id === id);
  if (!family) throw new RangeError(id);
  return family;
}
