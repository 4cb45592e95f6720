import { useEffect, useMemo, useRef, useState } from "react";
import type { Core } from "../../engine/core";
import { Painter } from "../../engine/painter";
import type { Painting, Problem, Report, Scene, Setting, SetupDocument } from "../../engine/types";

export type Model = {
  document: SetupDocument;
  settings: Setting[];
  problems: Problem[]; // of the document as it stands
  good: { document: SetupDocument; text: string; report: Report } | null; // the last that could be evaluated
  scene: Scene | null;
  painting: Painting | null;
};

/** Evaluates the document in this very render; keeps the last good picture while the document has problems. */
export function useModel(core: Core, text: string, s: number): Model {
  const document = useMemo(() => JSON.parse(text) as SetupDocument, [text]);
  const answer = useMemo(() => core.evaluate(text), [core, text]);
  const settings = useMemo(() => core.settings(text).ok ?? [], [core, text]);
  const last = useRef<Model["good"]>(null);
  if (answer.ok && last.current?.text !== text) last.current = { document, text, report: answer.ok };
  const good = last.current;
  const goodText = good?.text;
  const scene = useMemo(() => (goodText ? (core.scene(goodText, s).ok ?? null) : null), [core, goodText, s]);
  const painting = usePainting(text);
  return { document, settings, problems: answer.problems ?? [], good, scene, painting };
}

/** The painting of the document, or of the last one that was painted. */
function usePainting(text: string): Painting | null {
  const [painting, setPainting] = useState<Painting | null>(null);
  const painter = useRef<Painter | null>(null);
  useEffect(() => {
    const p = new Painter((_, answer) => {
      if (answer.ok) setPainting(answer.ok);
    });
    painter.current = p;
    return () => p.stop();
  }, []);
  useEffect(() => painter.current?.paint(text), [text]);
  return painting;
}
