import * as Comlink from "comlink";
import { IsolationDesk } from "./isolation-desk";

Comlink.expose(new IsolationDesk());
