import * as Comlink from "comlink";
import { FileDesk } from "./file-desk";

Comlink.expose(new FileDesk());
