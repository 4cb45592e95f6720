import { useEffect, useMemo, useRef, useState } from "react";
import type { Core } from "../../engine/core";
import { Painter } from "../../engine/painter";
import { Sweeps } from "../../engine/sweeps";
import type {
  Answer,
  EqualLoads,
  Painting,
  Problem,
  Report,
  Scene,
  Setting,
  SetupDocument,
  Step,
  Suggestion,
  Tempo,
  Uncertainty,
} from "../../engine/types";
import { useLive } from "./useLive";

export type Model = {
  document: SetupDocument;
  settings: Setting[];
  problems: Problem[]; // of the document as it stands
  good: { document: SetupDocument; text: string; report: Report } | null; // the last that could be evaluated
  scene: Scene | null;
  sweeps: Sweeps;
  fresh: boolean; // whether all dials are painted for the document as it stands
  score: Painting | null; // of the document as it stands; null while it is not known
  suggestions: Suggestion[]; // of the document as it stands; empty while they are looked for
  steps: Step[] | null; // what single steps of its settings do; null while it is not known
  uncertainty: Uncertainty | null; // of the document as it stands; null while it is not known
  equal: EqualLoads | null; // the same
  motion: { answer: Answer<Tempo>; fresh: boolean } | null; // of the last document that it was worked out for
  moving: boolean; // whether it comes a frame or two late, because a hand moves
  behind: boolean; // whether it is not yet of the document as it stands
};

/** Evaluates the document; keeps the last good picture while the document has problems. What takes longer comes from a worker. */
export function useModel(core: Core, text: string, saved: string, s: number, dragged: boolean): Model {
  const document = useMemo(() => JSON.parse(text) as SetupDocument, [text]);
  const { seen, follows } = useLive(core, text, s, dragged);
  const last = useRef<Model["good"]>(null);
  const { answer } = seen;
  if (answer.ok && last.current?.report !== answer.ok) {
    last.current = { document: JSON.parse(seen.text), text: seen.text, report: answer.ok };
  }
  const good = last.current;
  const goodText = good?.text;
  const told = seen.scene && answer.ok ? seen.scene : null;
  const scene = useMemo(
    () => (told && told.s === s ? told : goodText ? (core.scene(goodText, s).ok ?? null) : null),
    [core, goodText, s, told],
  );
  const { sweeps, painting, suggestions, steps, spread, equal, motion } = usePainting(text, saved, follows);
  const now = <T>(of: Of<T> | null): T | null => (of?.document === text ? of.value : null);
  const profile = now(painting)?.suggestion;
  const others = now(suggestions) ?? none;
  const movedOn = motion?.document === text;
  return {
    document,
    settings: seen.settings,
    problems: answer.problems ?? sound,
    good,
    scene,
    sweeps,
    fresh: painting?.document === text,
    score: now(painting),
    suggestions: useMemo(() => (profile ? [profile, ...others] : others), [profile, others]),
    steps: now(steps),
    uncertainty: now(spread),
    equal: text === saved ? null : now(equal),
    motion: useMemo(() => motion && { answer: motion.value, fresh: movedOn }, [motion, movedOn]),
    moving: follows,
    behind: seen.text !== text,
  };
}

const none: Suggestion[] = [];

const sound: Problem[] = [];

type Of<T> = { document: string; value: T };

/** What the worker has made of the newest document, or still of an older one. */
function usePainting(text: string, saved: string, dragged: boolean) {
  const [sweeps] = useState(() => new Sweeps());
  const [painting, setPainting] = useState<Of<Painting> | null>(null);
  const [suggestions, setMends] = useState<Of<Suggestion[]> | null>(null);
  const [steps, setSteps] = useState<Of<Step[]> | null>(null);
  const [spread, setSpread] = useState<Of<Uncertainty> | null>(null);
  const [equal, setEqual] = useState<Of<EqualLoads> | null>(null);
  const [motion, setMotion] = useState<Of<Answer<Tempo>> | null>(null);
  const painter = useRef<Painter | null>(null);
  useEffect(() => {
    const p = new Painter({
      sweep: (_, value) => sweeps.set(value),
      paint: (document, value) => setPainting({ document, value }),
      suggestions: (document, value) => setMends({ document, value }),
      steps: (document, value) => setSteps({ document, value }),
      spread: (document, value) => setSpread({ document, value }),
      equal: (document, value) => setEqual({ document, value }),
      tempo: (document, value) => setMotion({ document, value }),
    });
    painter.current = p;
    return () => p.stop();
  }, [sweeps]);
  const latest = useRef(dragged);
  latest.current = dragged;
  useEffect(() => painter.current?.paint(text, saved, focused(), latest.current), [text, saved]);
  return { sweeps, painting, suggestions, steps, spread, equal, motion };
}

/** The dial that the coach is at. */
const focused = (): string | null =>
  window.document.activeElement?.closest<HTMLElement>("[data-dial]")?.dataset.dial ?? null;
