// Begins the thread: the core is TypeScript, and a thread does not inherit how its parent reads that.
import { register } from "tsx/esm/api";

register();
await import("./isolation.thread.ts");
