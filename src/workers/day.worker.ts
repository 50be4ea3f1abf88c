import * as Comlink from "comlink";
import { DayDesk } from "./day-desk";

Comlink.expose(new DayDesk());
