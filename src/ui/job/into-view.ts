/**
 * Brings a step into view with its heading, badge, leads and field, where part of it lies outside; also above a
 * keyboard on the screen. What is in view stays where it is.
 */
export function bringIntoView(field: HTMLElement | null): void {
  const step = field?.closest(".next");
  if (!field || !step) return;
  const height = window.visualViewport?.height ?? window.innerHeight;
  const { top } = step.getBoundingClientRect();
  const { bottom } = field.getBoundingClientRect();
  if (top < 0 || bottom > height) step.scrollIntoView({ block: "start" });
}
