import { PlainPage } from "../ui/shell/PlainPage";
import { say } from "#words/app";

export default function NotFound() {
  return <PlainPage title={say.notHere} sentence={say.thereIsNoSuchPage} />;
}
