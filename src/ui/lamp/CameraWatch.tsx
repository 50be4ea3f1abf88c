"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { LampReading } from "../../core/lamp";
import type { LampDesk, LampSeen } from "../../workers/lamp-desk";
import { Strip } from "./Strip";
import { say } from "#words/ui/lamp";

type Torch = MediaTrackCapabilities & { readonly torch?: boolean };

/**
 * The camera at the lamp: finds the blinking spot and reads it; also a magnifier with freeze and light. Pictures stay
 * in this device.
 */
export function CameraWatch({ onReading }: { onReading: (reading: LampReading | null) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const desk = useRef<Comlink.Remote<LampDesk> | null>(null);
  const [problem, setProblem] = useState("");
  const [seen, setSeen] = useState<LampSeen | null>(null);
  const [chosen, setChosen] = useState<{ x: number; y: number } | null>(null);
  const [zoom, setZoom] = useState(1);
  const [frozen, setFrozen] = useState(false);
  const [torch, setTorch] = useState<"none" | "off" | "on">("none");
  const track = useRef<MediaStreamTrack | null>(null);
  const tell = useRef(onReading);
  useEffect(() => {
    tell.current = onReading;
  });

  useEffect(() => {
    let over = false;
    const worker = new Worker(new URL("../../workers/lamp.worker.ts", import.meta.url), { type: "module" });
    const remote = Comlink.wrap<LampDesk>(worker);
    desk.current = remote;
    let stream: MediaStream | null = null;
    let busy = false;
    async function look(time: number) {
      const picture = video.current;
      if (over || busy || !picture || picture.paused || picture.videoWidth === 0) return;
      busy = true;
      try {
        const bitmap = await createImageBitmap(picture);
        const result = await remote.frame(Comlink.transfer(bitmap, [bitmap]), time);
        if (result && !over) {
          setSeen(result);
          tell.current(result.reading);
        }
      } catch {
        /* a picture that could not be taken is a picture less */
      } finally {
        busy = false;
      }
    }
    function next() {
      const picture = video.current;
      if (over || !picture) return;
      picture.requestVideoFrameCallback((_, frame) => {
        void look(frame.mediaTime);
        next();
      });
    }
    async function begin() {
      if (!navigator.mediaDevices?.getUserMedia) throw new Error(say.thisPageHasNoCamera);
      stream = await navigator.mediaDevices.getUserMedia({
        audio: false,
        video: { facingMode: "environment", width: { ideal: 1280 }, frameRate: { ideal: 60 } },
      });
      if (over || !video.current) return stream.getTracks().forEach((t) => t.stop());
      track.current = stream.getVideoTracks()[0] ?? null;
      if ((track.current?.getCapabilities?.() as Torch | undefined)?.torch) setTorch("off");
      video.current.srcObject = stream;
      await video.current.play();
      next();
    }
    begin().catch((error: Error) => {
      if (over) return;
      const name = error.name;
      if (name === "NotAllowedError") setProblem(say.theCameraWasNotAllowed);
      else if (name === "NotFoundError") setProblem(say.noCameraWasFoundTap);
      else setProblem(error.message);
    });
    return () => {
      over = true;
      stream?.getTracks().forEach((t) => t.stop());
      worker.terminate();
      desk.current = null;
    };
  }, []);

  async function light() {
    const on = torch !== "on";
    await track.current?.applyConstraints({ advanced: [{ torch: on } as MediaTrackConstraintSet] });
    setTorch(on ? "on" : "off");
  }
  function freeze() {
    if (frozen) void video.current?.play();
    else video.current?.pause();
    setFrozen(!frozen);
  }
  function point(spot: { x: number; y: number } | null) {
    setChosen(spot);
    void desk.current?.choose(spot);
  }
  function clear() {
    setSeen(null);
    tell.current(null);
    void desk.current?.clear();
  }
  const spot = seen?.spot ?? chosen;
  return (
    <div className="camera">
      {problem ? (
        <p className="problem" role="alert">
          {problem}
        </p>
      ) : null}
      <div className="camera-view" style={{ "--zoom": zoom } as React.CSSProperties}>
        <button
          type="button"
          className="camera-aim"
          aria-label={say.pointAtTheLampIn}
          onClick={(e) => {
            if (e.detail === 0) return;
            const box = e.currentTarget.getBoundingClientRect();
            point({ x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height });
          }}
        >
          <video ref={video} muted playsInline />
          {spot ? (
            <span className="camera-spot" style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }} aria-hidden />
          ) : null}
        </button>
      </div>
      <Strip bars={seen?.bars ?? []} />
      <p className="quiet mb-1" role="status">
        {watchWords(seen)}
      </p>
      <div className="camera-tools">
        <Form.Group controlId="zoom">
          <Form.Label className="mb-0">{say.magnifyZoom(zoom.toFixed(1))}</Form.Label>
          <Form.Range min={1} max={6} step={0.5} value={zoom} onChange={(e) => setZoom(Number(e.target.value))} />
        </Form.Group>
        <Button variant="outline-dark" aria-pressed={frozen} onClick={freeze}>
          {frozen ? say.goOn : "Freeze"}
        </Button>
        {torch !== "none" ? (
          <Button variant="outline-dark" aria-pressed={torch === "on"} onClick={() => void light()}>
            {say.lightTorch(torch)}
          </Button>
        ) : null}
        {chosen ? (
          <Button variant="outline-dark" onClick={() => point(null)}>
            {say.findItAgain}
          </Button>
        ) : null}
        <Button variant="outline-dark" onClick={clear}>
          {say.startOver}
        </Button>
      </div>
    </div>
  );
}

function watchWords(seen: LampSeen | null): string {
  if (!seen) return say.holdItStillTheLamp;
  if (seen.spot) return say.watchingTheRingedSpotS(Math.round(seen.seconds));
  return say.nothingBlinksInThePicture;
}
