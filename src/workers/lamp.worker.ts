import * as Comlink from "comlink";
import { LampDesk } from "./lamp-desk";

Comlink.expose(new LampDesk());
