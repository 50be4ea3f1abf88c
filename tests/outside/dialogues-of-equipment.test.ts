import { judgeDialogues } from "./judge-dialogues";

judgeDialogues([
  "gratlosch-bd-5",
  "grisselm-sn-18",
  "hochkar-ip-4",
  "obwart-dv-8",
  "perlgrund-tm-3",
  "pfellmar-co-12",
  "sellrun-lc-24",
  "tannrast-ft-20",
  "tromblin-hd-4",
  "zirvald-bw-15",
]);
