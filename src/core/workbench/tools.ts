import type { Part } from "../model";
import { batteryHoursTool } from "./battery-hours";
import { calibrationTool } from "./calibration";
import { codedSwitchTool } from "./coded-switch";
import { contactTool } from "./contact";
import { dischargeTool } from "./discharge";
import { fuseTool } from "./fuse";
import { heaterTool } from "./heater";
import { ledResistorTool } from "./led-resistor";
import { levelSensorTool } from "./level-sensor";
import { motorTool } from "./motor";
import { pulsePriceTool } from "./pulse-price";
import { relayMatchTool } from "./relay-match";
import { relayTool } from "./relay";
import { supplyTool } from "./supply";
import { suppressionTool } from "./suppression";
import { temperatureSensorTool } from "./temperature-sensor";
import { togglingLineTool } from "./toggling-line";
import type { Tool } from "./tool";
import { weakestLinkTool } from "./weakest-link";
import { wireTool } from "./wire";

/** Every tool with fields and a sheet, in the order of the Tools screen. */
export const TOOLS: readonly Tool[] = [
  heaterTool,
  motorTool,
  batteryHoursTool,
  temperatureSensorTool,
  levelSensorTool,
  contactTool,
  fuseTool,
  wireTool,
  weakestLinkTool,
  ledResistorTool,
  relayTool,
  relayMatchTool,
  suppressionTool,
  supplyTool,
  dischargeTool,
  togglingLineTool,
  codedSwitchTool,
  pulsePriceTool,
  calibrationTool,
];

/** The tool that tests a part by itself; undefined for parts without one. */
export function toolFor(part: Part): Tool | undefined {
  return TOOLS.find((tool) => tool.id === part.kind.service.tool);
}
