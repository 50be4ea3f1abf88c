import { PlainPage } from "../ui/shell/PlainPage";

export default function NotFound() {
  return <PlainPage title="Not here" sentence="There is no such page or job. It may have been mistyped." />;
}
