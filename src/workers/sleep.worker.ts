import * as Comlink from "comlink";
import { SleepDesk } from "./sleep-desk";

Comlink.expose(new SleepDesk());
