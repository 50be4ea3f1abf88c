"use client";

import { useEffect, useRef } from "react";
import type { OpenWait } from "../../contract/waits";
import { say } from "#words/ui/waits";

/** It rings again after so long, until somebody ends it, milliseconds. */
const AGAIN = 30_000;
/** Of what is overdue longer one has heard enough: it stays in the list and in the title. */
const HEARD = 15 * 60_000;
/** Two short tones: seconds, hertz, loudness. */
const TONES = [0, 0.25] as const;
const TONE = { lasts: 0.16, hertz: 880, loud: 0.2 };

function ring(audio: AudioContext): void {
  for (const after of TONES) {
    const [tone, loud] = [audio.createOscillator(), audio.createGain()];
    const from = audio.currentTime + after;
    tone.frequency.value = TONE.hertz;
    loud.gain.setValueAtTime(TONE.loud, from);
    loud.gain.exponentialRampToValueAtTime(0.001, from + TONE.lasts);
    tone.connect(loud).connect(audio.destination);
    tone.start(from);
    tone.stop(from + TONE.lasts);
  }
}

/** Whether something became due a short while ago. */
const isNews = (w: OpenWait) => Date.now() - Date.parse(w.due) < HEARD;

/**
 * Lets what is due be heard and seen: two tones, again for a while, unless `muted` or ended; the title of the window
 * counts; a notification once for each, where the browser has been allowed to.
 */
export function useRinging(due: readonly OpenWait[], muted: boolean): void {
  const told = useRef(new Set<string>());
  const audio = useRef<AudioContext | null>(null);
  const count = due.length;
  useEffect(() => {
    for (const w of due) {
      const key = `${w.job} ${w.wait} ${w.due}`;
      if (told.current.has(key)) continue;
      told.current.add(key);
      if (typeof Notification === "undefined" || Notification.permission !== "granted") continue;
      try {
        new Notification(say.rings(w.words), { body: w.site ?? "", tag: key });
      } catch {
        // Some phones notify by a service worker only: it is heard and counted all the same.
      }
    }
  }, [due]);
  useEffect(() => {
    if (count === 0 || muted) return;
    const sound = () => {
      if (!due.some(isNews)) return;
      audio.current ??= new AudioContext();
      // Before a first key or touch a browser lets nothing be heard.
      if (audio.current.state === "suspended") void audio.current.resume().catch(() => {});
      if (audio.current.state === "running") ring(audio.current);
    };
    sound();
    const timer = setInterval(sound, AGAIN);
    return () => clearInterval(timer);
  }, [count, due, muted]);
  useEffect(() => {
    const count_ = () => {
      const plain = document.title.replace(/^\(\d+\) /, "");
      const wanted = count > 0 ? `(${count}) ${plain}` : plain;
      if (document.title !== wanted) document.title = wanted;
    };
    count_();
    // Another page brings its own title.
    const watched = new MutationObserver(count_);
    watched.observe(document.head, { childList: true, subtree: true, characterData: true });
    return () => watched.disconnect();
  }, [count]);
}
