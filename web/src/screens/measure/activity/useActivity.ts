import { useEffect, useRef, useState } from "react";
import { Aside } from "../../../engine/aside";
import type { ActivitySettings, Opened, Problem, Worked } from "../../../engine/types";
import type { Connection } from "../../../measuring/connection";

/** A recording under its name in the worker; one from a file with that file as it was. */
export type Recorded = { slot: string; opened: Opened; file?: Uint8Array };

export const usualSettings: ActivitySettings = {
  low: 20,
  high: 450,
  envelope: "rms",
  window: 0.1,
  mains: 0,
  notch: "auto",
  falling: false,
};

/** The recordings that are open, how they are worked, and what they come to. Everything is worked anew when a setting changes. */
export function useActivity() {
  const [core] = useState(() => new Aside());
  const [reps, setReps] = useState<Recorded | null>(null);
  const [strongest, setStrongest] = useState<Recorded[]>([]);
  const [settings, setSettings] = useState(usualSettings);
  const [worked, setWorked] = useState<Worked | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState("");
  const slots = useRef(0);
  const latest = useRef(0);
  useEffect(() => () => core.end(), [core]);

  const names = strongest.map((r) => r.slot).join(",");
  useEffect(() => {
    if (!reps) return setWorked(null);
    const turn = ++latest.current;
    setBusy("Working out the recording");
    void core.call("workActivity", reps.slot, names, settings).then((answer) => {
      if (turn !== latest.current) return;
      setBusy("");
      setProblems(answer.problems ?? []);
      if (answer.ok) setWorked(answer.ok);
    });
  }, [core, reps, names, settings]);

  const taken = (
    as: "reps" | "strongest",
    slot: string,
    answer: { ok?: Opened; problems?: Problem[] },
    file?: Uint8Array,
  ) => {
    setBusy("");
    setProblems(answer.problems ?? []);
    if (!answer.ok) return;
    const recorded = { slot, opened: answer.ok, ...(file && { file }) };
    if (as === "reps") {
      setReps(recorded);
      setSettings(({ reps: _, ...others }) => others); // those of the recording before
    } else setStrongest((list) => [...list, recorded]);
  };
  const slotFor = (as: string) => `${as} ${++slots.current}`;
  return {
    core,
    reps,
    strongest,
    settings,
    worked,
    problems,
    busy,
    setSettings: (part: Partial<ActivitySettings>) => setSettings((s) => ({ ...s, ...part })),
    async open(as: "reps" | "strongest", file: File) {
      setBusy(`Reading ${file.name}`);
      const slot = slotFor(as);
      const bytes = new Uint8Array(await file.arrayBuffer());
      taken(as, slot, await core.call("openRecording", slot, file.name, bytes), bytes);
    },
    /** Opens what was kept, in place of what is open. */
    async reopen(files: { slot: string; name: string; bytes: Uint8Array }[], to: ActivitySettings) {
      setStrongest([]);
      setSettings({ ...usualSettings, ...to });
      for (const f of files) {
        const as = f.slot === "reps" ? "reps" : "strongest";
        const slot = slotFor(as);
        taken(as, slot, await core.call("openRecording", slot, f.name, f.bytes), f.bytes);
      }
    },
    /** Every recording as a file: as it was opened, or as EDF where it was recorded here. */
    async files() {
      const all = [
        ...strongest.map((r, i) => ({ r, slot: `strongest ${i + 1}` })),
        ...(reps ? [{ r: reps, slot: "reps" }] : []),
      ];
      const out = [];
      for (const { r, slot } of all) {
        const bytes = r.file ?? (await core.call("writeEDF", r.slot)).ok;
        if (bytes) out.push({ slot, name: r.opened.name === r.slot ? `${slot}.edf` : r.opened.name, bytes });
      }
      return out;
    },
    /** Takes over what a device has sent. */
    async record(as: "reps" | "strongest", c: Connection) {
      setBusy("Taking over what was recorded");
      const slot = slotFor(as);
      const channels = c.channels.map((x) => ({ label: x.key, unit: x.unit, rate: x.rate }));
      taken(as, slot, await core.call("keepRecording", slot, channels, packed(c)));
    },
    drop(slot: string) {
      setStrongest((list) => list.filter((r) => r.slot !== slot));
    },
  };
}

export type Activity = ReturnType<typeof useActivity>;

/** What a device has sent as 32-bit numbers, one channel after the other, as much as all have. */
function packed(c: Connection): Uint8Array {
  const traces = c.channels.map((x) => c.trace(x.key)?.values() ?? new Float64Array());
  const n = Math.min(...traces.map((v) => v.length));
  const out = new Float32Array(n * traces.length);
  traces.forEach((v, i) => {
    out.set(v.subarray(0, n), i * n);
  });
  return new Uint8Array(out.buffer);
}
