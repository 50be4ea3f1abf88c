/** What is handed out on paper, in plain words. What others may use of it. */

export { type CustomerPage, customerPage } from "./customer-page";
export { plainFault } from "./plain-fault";
