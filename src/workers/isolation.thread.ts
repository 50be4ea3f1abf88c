import { parentPort } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { IsolationDesk } from "./isolation-desk";

/** The same desk as in the browser's worker, in a thread of the server. */
if (!parentPort) throw new Error("This file is run as a worker thread.");
Comlink.expose(new IsolationDesk(), nodeEndpoint(parentPort));
