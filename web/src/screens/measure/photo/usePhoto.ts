import { useState } from "react";
import type { Mark } from "../../../engine/types";

/** What is looked at: a picture of so many pixels, from a file or drawn. */
export type Picture = { width: number; height: number; name: string; url?: string };

/** What is marked on it and told of it; every change is one step back. */
export type Marked = {
  marks: Record<string, Mark>;
  length: number;
  camera: number | undefined;
  nearer: number;
};

const fresh: Marked = { marks: {}, length: 1, camera: undefined, nearer: 0 };

/** The marks with their history. Moves of one point one after the other are one step. */
export function usePhoto() {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [past, setPast] = useState<Marked[]>([]);
  const [future, setFuture] = useState<Marked[]>([]);
  const [now, setNow] = useState<Marked>(fresh);
  const [last, setLast] = useState("");
  const change = (part: Partial<Marked>, step: string) => {
    if (step === "" || step !== last) setPast((p) => [...p.slice(-200), now]);
    setLast(step);
    setFuture([]);
    setNow({ ...now, ...part });
  };
  return {
    picture,
    now,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    open(to: Picture, told: Partial<Marked> = {}) {
      setPicture(to);
      setPast([]);
      setFuture([]);
      setLast("");
      setNow({ ...fresh, length: now.length, ...told });
    },
    tell: (part: Partial<Marked>) => change(part, ""),
    /** Places a point; a drag, or keys pressed one after the other, are one step. */
    place: (key: string, mark: Mark, moving: boolean) =>
      change({ marks: { ...now.marks, [key]: mark } }, moving ? key : ""),
    settle: () => setLast(""),
    remove(key: string) {
      const { [key]: _, ...marks } = now.marks;
      change({ marks }, "");
    },
    undo() {
      const to = past.at(-1);
      if (!to) return;
      setPast(past.slice(0, -1));
      setFuture([now, ...future]);
      setNow(to);
      setLast("");
    },
    redo() {
      const [to, ...rest] = future;
      if (!to) return;
      setFuture(rest);
      setPast([...past, now]);
      setNow(to);
      setLast("");
    },
  };
}

export type Photo = ReturnType<typeof usePhoto>;

/** A picture from a file. Nothing of it leaves the page. */
export async function pictureOf(file: File): Promise<Picture> {
  const url = await new Promise<string>((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(reader.error);
    reader.readAsDataURL(file);
  });
  const image = new Image();
  image.src = url;
  await image.decode();
  return { width: image.naturalWidth, height: image.naturalHeight, name: file.name, url };
}
