import { judgeDialogues } from "./judge-dialogues";

judgeDialogues([
  "brenzik-cd-30",
  "dornlau-fl-7",
  "firnau-bf-330",
  "kaldruun-uc-80",
  "kolbrast-tk-2",
  "lawinor-im-90",
  "murgast-abs-60",
  "quellmoor-sb-210",
  "velmoor-dw-45",
  "ramsgrat-ct-60",
]);
