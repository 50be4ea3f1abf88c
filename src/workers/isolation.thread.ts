import { parentPort } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { IsolationDesk } from "./isolation-desk";
import { say } from "#words/workers";

/** The same desk as in the browser's worker, in a thread of the server. */
if (!parentPort) throw new Error(say.thisFileIsRunAs);
Comlink.expose(new IsolationDesk(), nodeEndpoint(parentPort));
